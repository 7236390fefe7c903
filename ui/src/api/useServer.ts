import { notifyManager, QueryClient, useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { useLive } from '../shell/live'
import { problemOf, type Problem } from './client'

/** An answer of the client: data or error, never both. */
export type Answer<T> = { data?: T; error?: unknown }

export const kept = new QueryClient({
  defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false, refetchOnReconnect: false } },
})

notifyManager.setScheduler(queueMicrotask) // why: what arrived is shown at once, not in the next turn

/**
 * What the server says about one thing, fetched, kept and refreshed. The key says which thing: an answer belongs to the key it
 * was asked for, so a late one never stands in for another's.
 *
 * @param key of what is looked at now, such as `['card', 3]`
 * @param get asks for it; called when the key changes and when one of the topics does
 * @param topics what refreshes it
 * @param when there is something to ask for; always, unless it says no
 */
export function useServer<T>(
  key: () => readonly unknown[],
  get: () => Promise<Answer<T>>,
  topics: () => string[],
  when: () => boolean = () => true,
) {
  const queryKey = computed(() => [...key()])
  const query = useQuery(
    {
      queryKey,
      enabled: computed(when),
      queryFn: async (): Promise<T> => {
        await Promise.resolve() // why: what a component asks with may stand below this in its setup
        const { data, error } = await get()
        if (data === undefined) throw problemOf(error)
        return data
      },
    },
    kept,
  )
  const refused = ref<{ key: string; problem?: Problem }>()
  const reload = () => kept.invalidateQueries({ queryKey: queryKey.value, exact: true, refetchType: 'active' })
  useLive(topics, reload)

  /** Puts what an act answered in the place of the thing it was made on, whatever is looked at by now. */
  function put(at: readonly unknown[], next: T, newer: (now: T) => boolean = () => true) {
    void kept.cancelQueries({ queryKey: [...at], exact: true }) // a look that began before the act knows less
    kept.setQueryData<T>([...at], (now) => (now === undefined || newer(now) ? next : now))
  }

  /** An act on the thing that is looked at when it is tapped. @return whether it went well */
  async function act(send: () => Promise<Answer<T>>): Promise<boolean> {
    const at = key()
    const { data, error } = await send()
    if (data !== undefined) put(at, data)
    refused.value = { key: JSON.stringify(at), problem: error ? problemOf(error) : undefined }
    return !error
  }

  return {
    data: computed(() => query.data.value as T | undefined),
    /** Why it could not be fetched, or why the last act on it was refused. */
    problem: computed<Problem | undefined>(() => {
      const said = refused.value
      if (said?.problem && said.key === JSON.stringify(queryKey.value)) return said.problem
      return query.data.value === undefined
        ? ((query.error.value as unknown as Problem | null) ?? undefined)
        : undefined
    }),
    forget: () => (refused.value = undefined),
    reload,
    put,
    act,
  }
}
