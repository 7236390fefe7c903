import { computed, onMounted, ref, shallowReadonly, shallowRef, watch } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useLive } from '../shell/live'

type Card = Schemas['CardJson']
type Answer = { data?: Card; error?: unknown }

/** A card shared with every other screen that shows it. Acts go one after the other, as they were tapped. */
export function useCard(id: () => number) {
  const card = shallowRef<Card>()
  const problem = shallowRef<Problem>()
  const busy = ref(0)
  let queue = Promise.resolve()
  let asked = 0

  async function load() {
    const mine = ++asked
    const { data, error } = await api.GET('/api/cards/{card}', { params: { path: { card: id() } } })
    if (mine !== asked || busy.value) return // an act under way brings the newer card
    if (data) show(data)
    if (error && !card.value) problem.value = problemOf(error)
  }

  function show(next: Card) {
    if (!card.value || card.value.id !== next.id || next.version >= card.value.version) card.value = next
  }

  function act(send: () => Promise<Answer>): Promise<boolean> {
    busy.value++
    const done = queue.then(async () => {
      const { data, error } = await send()
      busy.value--
      if (data) show(data)
      problem.value = error ? problemOf(error) : undefined
      return !error
    })
    queue = done.then(() => undefined)
    return done
  }

  const path = () => ({ params: { path: { card: id() } } })
  onMounted(load)
  watch(id, load)
  useLive(() => [`card/${id()}`, 'shelf'], load)

  return {
    card: shallowReadonly(card),
    problem: shallowReadonly(problem),
    busy: computed(() => busy.value > 0),
    forget: () => (problem.value = undefined),
    enter: (step: string, cell: string, value: string) =>
      act(() => api.POST('/api/cards/{card}/enter', { ...path(), body: { step, cell, value } })),
    enterAll: (step: string, cells: Record<string, string>) =>
      act(() => api.POST('/api/cards/{card}/enter-all', { ...path(), body: { step, cells } })),
    finish: (step: string, accept?: string) =>
      act(() => api.POST('/api/cards/{card}/finish', { ...path(), body: { step, accept } })),
    skip: (step: string, reason: string) =>
      act(() => api.POST('/api/cards/{card}/skip', { ...path(), body: { step, reason } })),
    fail: (step: string, branch: string) =>
      act(() => api.POST('/api/cards/{card}/fail', { ...path(), body: { step, branch } })),
    beginWait: (step: string) => act(() => api.POST('/api/cards/{card}/wait', { ...path(), body: { step } })),
    strike: (step: string) => act(() => api.POST('/api/cards/{card}/strike', { ...path(), body: { step } })),
    note: (step: string, words: string) =>
      act(() => api.POST('/api/cards/{card}/notes', { ...path(), body: { step, words } })),
    giveUp: (reason: string) => act(() => api.POST('/api/cards/{card}/give-up', { ...path(), body: { reason } })),
    photo: (step: string, file: Blob) =>
      act(() =>
        api.POST('/api/cards/{card}/photos', {
          params: { path: { card: id() }, query: { step } },
          body: file as unknown as string,
          bodySerializer: (body: unknown) => body as Blob,
          headers: { 'Content-Type': 'application/octet-stream' },
        }),
      ),
  }
}
