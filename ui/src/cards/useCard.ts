import { asFile } from '../api/upload'
import { computed, ref } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { useServer, type Answer } from '../api/useServer'

type Card = Schemas['CardJson']

/**
 * A card shared with every other screen that shows it. Each act goes to the card that
 * was on the screen when it was tapped.
 */
export function useCard(id: () => number) {
  const key = (card: number) => ['card', card] as const
  const seen = useServer<Card>(
    () => key(id()),
    () => api.GET('/api/cards/{card}', { params: { path: { card: id() } } }),
    () => [`card/${id()}`, 'shelf'],
  )
  const refused = ref<{ card: number; problem: Problem }>()
  const busy = ref(0)

  async function act(send: (path: { params: { path: { card: number } } }) => Promise<Answer<Card>>): Promise<boolean> {
    const card = id() // why: the answer may come after another card came onto the screen
    busy.value++
    const { data, error } = await send({ params: { path: { card } } })
    busy.value--
    if (data) seen.put(key(card), data, (now) => data.version >= now.version)
    refused.value = error ? { card, problem: problemOf(error) } : undefined
    return !error
  }

  return {
    card: seen.data,
    problem: computed(() => (refused.value?.card === id() ? refused.value.problem : seen.problem.value)),
    busy: computed(() => busy.value > 0),
    forget: () => (refused.value = undefined),
    reload: seen.reload,
    enter: (step: string, cell: string, value: string) =>
      act((path) => api.POST('/api/cards/{card}/enter', { ...path, body: { step, cell, value } })),
    enterAll: (step: string, cells: Record<string, string>) =>
      act((path) => api.POST('/api/cards/{card}/enter-all', { ...path, body: { step, cells } })),
    finish: (step: string, accept?: string) =>
      act((path) => api.POST('/api/cards/{card}/finish', { ...path, body: { step, accept } })),
    skip: (step: string, reason: string) =>
      act((path) => api.POST('/api/cards/{card}/skip', { ...path, body: { step, reason } })),
    fail: (step: string, branch: string) =>
      act((path) => api.POST('/api/cards/{card}/fail', { ...path, body: { step, branch } })),
    beginWait: (step: string, minutesAgo?: number) =>
      act((path) => api.POST('/api/cards/{card}/wait', { ...path, body: { step, minutesAgo } })),
    strike: (step: string) => act((path) => api.POST('/api/cards/{card}/strike', { ...path, body: { step } })),
    note: (step: string, words: string) =>
      act((path) => api.POST('/api/cards/{card}/notes', { ...path, body: { step, words } })),
    giveUp: (reason: string) => act((path) => api.POST('/api/cards/{card}/give-up', { ...path, body: { reason } })),
    photo: (step: string, file: Blob) =>
      act((path) =>
        api.POST('/api/cards/{card}/photos', {
          params: { ...path.params, query: { step } },
          ...asFile(file),
        }),
      ),
  }
}
