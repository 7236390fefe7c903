import { computed } from 'vue'
import { api, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'

/** What comes next at each machine, by its number. */
export function useDue() {
  const { data } = useServer<Schemas['DueJson'][]>(
    () => ['due'],
    () => api.GET('/api/due'),
    () => ['bench', 'machine/', 'card/', 'climate'],
  )
  return computed<Record<number, Schemas['DueJson']>>(() =>
    Object.fromEntries((data.value ?? []).map((d) => [d.machine, d])),
  )
}
