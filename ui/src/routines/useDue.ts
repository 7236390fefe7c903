import { onMounted, shallowReadonly, shallowRef } from 'vue'
import { api, type Schemas } from '../api/client'
import { useLive } from '../shell/live'

/** What comes next at each machine, by its number. */
export function useDue() {
  const due = shallowRef<Record<number, Schemas['DueJson']>>({})
  async function load() {
    const { data } = await api.GET('/api/due')
    if (data) due.value = Object.fromEntries(data.map((d) => [d.machine, d]))
  }
  onMounted(load)
  useLive(() => ['bench', 'machine/', 'card/', 'climate'], load)
  return shallowReadonly(due)
}
