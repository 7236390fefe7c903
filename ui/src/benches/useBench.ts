import { api, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'

/** All machines on their benches, kept up to date. */
export function useBench() {
  const { data, problem, reload } = useServer<Schemas['BenchJson']>(
    () => ['bench'],
    () => api.GET('/api/bench'),
    () => ['bench', 'hob', 'machine/', 'card/'],
  )
  return { bench: data, problem, reload }
}
