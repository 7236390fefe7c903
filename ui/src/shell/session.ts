import { computed, shallowRef } from 'vue'
import { api, problemOf, type Problem, type Schemas } from '../api/client'
import { pick } from './person'

type Session = Schemas['SessionJson']
export const session = shallowRef<Session>()

/** Whether this screen shows nothing but the way in. */
export const outside = computed(() => session.value?.closed === true && !session.value.person)
/** Whether what only an owner may do is offered: in a closed shop to the owner, in an open one to everybody. */
export const owns = computed(() => !session.value?.closed || session.value.role === 'OWNER')

type Answer = { data?: Session; error?: unknown }

/** Takes what the server says about who is here. @return why not, if it refused */
export function take({ data, error }: Answer): Problem | undefined {
  if (data) {
    session.value = data
    if (data.closed) pick(data.person ?? undefined)
  }
  return error ? problemOf(error) : undefined
}

export const loadSession = async () => take(await api.GET('/api/session'))

/** The server no longer knows who asks: they come in again, and go on where they were. */
export function signedOut(): void {
  if (session.value?.closed && session.value.person) session.value = { ...session.value, person: undefined }
}

export async function leave(everywhere = false): Promise<Problem | undefined> {
  return take(everywhere ? await api.DELETE('/api/sessions') : await api.DELETE('/api/session'))
}
