import { ref, watch, type Ref } from 'vue'
import { api, type Schemas } from '../api/client'

export const OUTCOMES: { value: Schemas['Said']['outcome']; text: string }[] = [
  { value: 'WENT_AWAY', text: 'it went away' },
  { value: 'CAME_BACK', text: 'it came back' },
  { value: 'STOPPED_US', text: 'it stopped us' },
  { value: 'NOT_KNOWN', text: 'not known yet' },
]
export const outcomeOf = (outcome: Schemas['Said']['outcome']): string =>
  OUTCOMES.find((o) => o.value === outcome)?.text ?? ''

/** Messages that have all these words; what is safe follows the machine, where one is named. */
export function useMessages(words: Ref<string>, machine: Ref<number | undefined>, least = 0) {
  const found = ref<Schemas['Message'][]>()
  async function look(onCleanup?: (stop: () => void) => void) {
    let outdated = false
    onCleanup?.(() => (outdated = true))
    if (words.value.trim().length < least) {
      found.value = []
      return
    }
    const query = { words: words.value, ...(machine.value ? { machine: machine.value } : {}) }
    const { data } = await api.GET('/api/messages', { params: { query } })
    if (!outdated) found.value = data ?? []
  }
  watch([words, machine], (_now, _before, onCleanup) => look(onCleanup), { immediate: true })
  return { found, look }
}
