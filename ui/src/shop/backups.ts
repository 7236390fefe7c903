import { api, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'

/** The copies of the shop, by all who look at them together. */
export const useBackups = () =>
  useServer<Schemas['BackupsJson']>(
    () => ['backups'],
    () => api.GET('/api/backups'),
    () => ['backup'],
  )
