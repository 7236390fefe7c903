import { api, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'

/** The sheets of one machine and where they are on their way to its printer. */
export function useSheets(machine: () => number) {
  const where = () => ({ params: { path: { machine: machine() } } })
  const topics = () => [`machine/${machine()}`]
  const made = useServer<Schemas['SheetsJson']>(
    () => ['sheets', machine()],
    () => api.GET('/api/machines/{machine}/sheets', where()),
    topics,
    () => machine() > 0,
  )
  const going = useServer<Schemas['PrintJobsJson']>(
    () => ['print-jobs', machine()],
    () => api.GET('/api/machines/{machine}/print-jobs', where()),
    topics,
    () => machine() > 0,
  )
  return {
    sheets: made.data,
    jobs: going.data,
    /** What an act on this machine answered. */
    made: (next: Schemas['SheetsJson']) => made.put(['sheets', machine()], next),
    going: (next: Schemas['PrintJobsJson']) => going.put(['print-jobs', machine()], next),
    reload: () => Promise.all([made.reload(), going.reload()]),
  }
}
