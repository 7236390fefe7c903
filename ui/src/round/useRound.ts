import { computed, onScopeDispose } from 'vue'
import { api, type Schemas } from '../api/client'
import { useServer, type Answer } from '../api/useServer'
import { oneAtATime } from '../shell/oneAtATime'
import { person } from '../shell/person'

export type Round = Schemas['RoundJson']
export type Visit = Schemas['VisitJson']

const LOOK_AGAIN = 60_000 // ms; the plan follows the clock even where nobody taps

/** Today's round: planned by the server, ticked from here. */
export function useRound() {
  const seen: ReturnType<typeof useServer<Round>> = useServer<Round>(
    () => ['round'],
    async () => {
      const answer = await api.GET('/api/round')
      const shown = seen.data.value // an act's own answer knows more than a plan that was made before it
      return answer.data && shown && Date.parse(answer.data.now) < Date.parse(shown.now) ? { data: shown } : answer
    },
    () => ['round', 'worked-out/round', 'hob', 'bench', 'machine/', 'card/', 'climate'],
  )
  const again = setInterval(seen.reload, LOOK_AGAIN)
  onScopeDispose(() => clearInterval(again))

  const act = oneAtATime(async (work: () => Promise<Answer<Round>>) => {
    await seen.act(work)
  })
  return {
    round: seen.data,
    problem: seen.problem,
    busy: act.busy,
    reload: seen.reload,
    begin: (key: string) => act.run(() => api.POST('/api/round/begin', { body: { key, person: person.value } })),
    letGo: (key: string) => act.run(() => api.POST('/api/round/let-go', { body: { key } })),
    tick: (key: string, minutes?: number, whole = false) =>
      act.run(() => api.POST('/api/round/done', { body: { key, person: person.value, minutes, whole } })),
    pin: (key: string, at?: string, who?: number) =>
      act.run(() => api.POST('/api/round/pin', { body: { key, at, person: who } })),
    there: (who: number, from?: string, to?: string) =>
      act.run(() => api.PUT('/api/round/people/{person}', { params: { path: { person: who } }, body: { from, to } })),
  }
}

/** Visits of one person, or of everybody, and which of them comes next. */
export function useWalk(round: () => Round | undefined, who: () => number | undefined) {
  const visits = computed(() => (round()?.visits ?? []).filter((v) => who() === undefined || v.person === who()))
  const next = computed(() => visits.value.find((v) => v.begun) ?? visits.value.find((v) => v.head))
  return { visits, next }
}
