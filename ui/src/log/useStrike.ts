import { ref, shallowReadonly } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { oneAtATime } from '../shell/oneAtATime'

type Preview = Schemas['StrikePreviewJson']

/** Strikes entries of the log out; what would stay is said before, and asked about. */
export function useStrike() {
  const asking = ref<Preview>()
  const problem = ref('')

  async function send(entry: number): Promise<boolean> {
    const { error } = await api.POST('/api/log/{entry}/strike', { params: { path: { entry } } })
    problem.value = error ? problemOf(error).detail : ''
    if (!error) asking.value = undefined
    return !error
  }

  /** Shows what striking an entry out gives back and what stays. */
  const { run: ask, busy: looking } = oneAtATime(async (entry: number) => {
    const { data, error } = await api.GET('/api/log/{entry}/strike', { params: { path: { entry } } })
    problem.value = error ? problemOf(error).detail : ''
    asking.value = data
  })
  /** Takes an act back that was just done: at once, unless something of it stays. */
  const { run: undo, busy: undoing } = oneAtATime(async (entry: number) => {
    await ask(entry)
    const found = asking.value
    if (found && !found.why && !found.stays.length) await send(entry)
  })
  const { run: confirm, busy: striking } = oneAtATime(async () => {
    if (asking.value) await send(asking.value.entry)
  })
  function leave() {
    asking.value = undefined
    problem.value = ''
  }
  return {
    asking: shallowReadonly(asking),
    problem: shallowReadonly(problem),
    busy: () => looking.value || undoing.value || striking.value,
    ask,
    undo,
    confirm,
    leave,
  }
}
