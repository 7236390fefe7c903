import { computed, onMounted, shallowReadonly, shallowRef } from 'vue'
import { api, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'
import { oneAtATime } from '../shell/oneAtATime'

export type Case = Schemas['CaseJson']
export type Said = Schemas['EvidenceJson']

/** One case, kept up to date; what is said here answers with the case as it is then. */
export function useCase(id: () => number) {
  const seen = useServer<Case>(
    () => ['case', id()],
    () => api.GET('/api/cases/{id}', { params: { path: { id: id() } } }),
    () => ['clinic', 'machine/', 'card/'],
  )
  const path = () => ({ params: { path: { id: id() } } })
  const { run: say, busy: saying } = oneAtATime(async (body: Said) => {
    await seen.act(() => api.POST('/api/cases/{id}/evidence', { ...path(), body }))
  })
  const { run: end, busy: ending } = oneAtATime(async (body: Schemas['EndJson']) => {
    await seen.act(() => api.POST('/api/cases/{id}/end', { ...path(), body }))
  })
  const { run: printOn } = oneAtATime(async () => {
    await seen.act(() => api.POST('/api/cases/{id}/print-on', path()))
  })
  return {
    found: seen.data,
    problem: computed(() => seen.problem.value?.detail),
    busy: computed(() => saying.value || ending.value),
    load: seen.reload,
    say,
    end,
    printOn,
  }
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

/** An amount of money in the shop’s currency: "£62.79". */
export const asMoney = (amount: number, currency: string) =>
  new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(amount)
