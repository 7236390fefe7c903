import { onMounted, shallowReadonly, shallowRef } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useLive } from '../shell/live'

/** All machines on their benches, kept up to date. */
export function useBench() {
  const bench = shallowRef<Schemas['BenchJson']>()
  const problem = shallowRef<Problem>()
  let asked = 0

  async function load() {
    const mine = ++asked
    const { data, error } = await api.GET('/api/bench')
    if (mine !== asked) return // a slow answer must not overwrite a newer one
    if (data) bench.value = data
    problem.value = error ? problemOf(error) : undefined
  }
  onMounted(load)
  useLive(() => ['bench', 'hob', 'machine/', 'card/'], load)
  return { bench: shallowReadonly(bench), problem: shallowReadonly(problem), reload: load }
}
