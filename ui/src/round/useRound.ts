import { computed, onMounted, onScopeDispose, shallowReadonly, shallowRef } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useLive } from '../shell/live'
import { oneAtATime } from '../shell/oneAtATime'
import { person } from '../shell/person'

export type Round = Schemas['RoundJson']
export type Visit = Schemas['VisitJson']

const LOOK_AGAIN = 60_000 // ms; the plan follows the clock even where nobody taps

/** Today's round: planned by the server, ticked from here. */
export function useRound() {
  const round = shallowRef<Round>()
  const problem = shallowRef<Problem>()
  let asked = 0

  function take(answer: { data?: Round; error?: unknown }) {
    if (answer.data) round.value = answer.data
    problem.value = answer.error ? problemOf(answer.error) : undefined
  }
  async function load() {
    const mine = ++asked
    const answer = await api.GET('/api/round')
    if (mine === asked) take(answer)
  }
  onMounted(load)
  useLive(() => ['round', 'hob', 'bench', 'machine/', 'card/', 'climate'], load)
  const again = setInterval(load, LOOK_AGAIN)
  onScopeDispose(() => clearInterval(again))

  const act = oneAtATime(async (work: () => Promise<{ data?: Round; error?: unknown }>) => {
    ++asked // an older look must not overwrite what this act gives
    take(await work())
  })
  return {
    round: shallowReadonly(round),
    problem: shallowReadonly(problem),
    busy: act.busy,
    reload: load,
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
