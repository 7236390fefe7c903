import { computed, onMounted, ref, shallowReadonly, shallowRef, watch } from 'vue'
import { api, problemOf, type Schemas } from '../api/client'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'

export type Case = Schemas['CaseJson']
export type Said = Schemas['EvidenceJson']

/** One case, kept up to date; what is said here answers with the case as it is then. */
export function useCase(id: () => number) {
  const found = shallowRef<Case>()
  const problem = ref<string>()
  function take({ data, error }: { data?: Case; error?: unknown }) {
    problem.value = error ? problemOf(error).detail : undefined
    if (data) found.value = data
  }
  const load = async () => take(await api.GET('/api/cases/{id}', { params: { path: { id: id() } } }))
  onMounted(load)
  watch(id, load)
  useLive(() => ['clinic', `machine/${found.value?.machine ?? 0}`, 'card/'], load)
  const { run: say, busy: saying } = oneAtATime(async (body: Said) =>
    take(await api.POST('/api/cases/{id}/evidence', { params: { path: { id: id() } }, body })),
  )
  const { run: end, busy: ending } = oneAtATime(async (body: Schemas['EndJson']) =>
    take(await api.POST('/api/cases/{id}/end', { params: { path: { id: id() } }, body })),
  )
  const { run: printOn } = oneAtATime(async () =>
    take(await api.POST('/api/cases/{id}/print-on', { params: { path: { id: id() } } })),
  )
  const busy = computed(() => saying.value || ending.value)
  return { found: shallowReadonly(found), problem, busy, load, say, end, printOn }
}

/** The words a case is opened with, and all that may be tried. */
export function useClinicWords() {
  const words = shallowRef<Schemas['ClinicWordsJson']>()
  onMounted(async () => {
    const { data } = await api.GET('/api/clinic/words')
    if (data) words.value = data
  })
  return shallowReadonly(words)
}

export const ENDINGS: Record<string, string> = {
  CURED: 'cured',
  GOOD_ENOUGH: 'good enough',
  STOPPED: 'stopped',
  HANDED_OVER: 'handed over',
}
