import { computed } from 'vue'
import { api, type Schemas } from '../api/client'
import { useServer, type Answer } from '../api/useServer'
import { oneAtATime } from '../shell/oneAtATime'
import { useShop } from '../shell/shop'

export type Job = Schemas['JobJson']
export type JobOrder = Schemas['JobOrderJson']
export type JobWords = Schemas['JobWordsJson']

/** One job, and what is done with it: every act answers with the job as it is then. */
export function useJob(id: () => number) {
  const { settings } = useShop()
  const server = useServer<Job>(
    () => ['job', id()],
    () => api.GET('/api/jobs/{job}', { params: { path: { job: id() } } }),
    () => ['jobs', 'machine/', 'shelf'],
  )
  const { run, busy } = oneAtATime(async (send: () => Promise<Answer<Job>>, then?: () => void) => {
    if (await server.act(send)) then?.()
  })
  return {
    job: server.data,
    problem: server.problem,
    forget: server.forget,
    reload: server.reload,
    act: run,
    busy,
    zone: computed(() => settings.value?.zone ?? 'UTC'),
    currency: computed(() => settings.value?.currency ?? 'GBP'),
  }
}

/** What a job can be made of: words, papers, signs. */
export function useJobWords() {
  return useServer<JobWords>(
    () => ['job-words'],
    () => api.GET('/api/jobs/words'),
    () => ['shop', 'shelf'],
  ).data
}
