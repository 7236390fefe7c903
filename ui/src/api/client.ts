import createClient, { type Middleware } from 'openapi-fetch'
import { shallowRef } from 'vue'
import { currentPerson } from '../shell/person'
import { noUndo, offerUndo } from '../shell/undo'
import { inUnits, type Units } from '../units/told'
import * as taps from './taps'
import type { components, paths } from './schema'

export type Schemas = components['schemas']

/** What can go wrong, in one shape: the server's problem document, or the same for a server that does not answer. */
export interface Problem {
  status: number
  detail: string
  errors?: { detail: string; field?: string; remedy?: string }[]
}

const UNREACHABLE: Problem = {
  status: 503,
  detail: 'The kettle does not answer. This page asks again as soon as it does; look at the network if this stays.',
}

const RETRIES = [300, 1000, 2500] // ms

/** crypto.randomUUID needs a secure origin, and a tablet in the workshop's network has none. */
export function newKey(): string {
  return [...crypto.getRandomValues(new Uint8Array(16))].map((b) => b.toString(16).padStart(2, '0')).join('')
}

function setToken(request: Request) {
  const token = /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie)?.[1]
  if (token) request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token))
}

/** What of the house fails at the moment, in the kettle’s own words: its database, its disk. */
export const outage = shallowRef<string>()

async function hearOutage(response: Response) {
  if (!response.ok && (await taps.isOutage(response)))
    outage.value = ((await response.clone().json()) as Problem).detail
}

/** Asks for what stands in the database: what failed is over once that is answered. */
export async function askAgain(): Promise<void> {
  const { response } = await api.GET('/api/people')
  if (response.ok) outage.value = undefined
}

/** Told when the server does not know any more who asks. */
export const whoever = { isGone: () => {} }

const headers: Middleware = {
  onRequest({ request }) {
    if (request.method === 'GET') return request
    setToken(request)
    if (!request.headers.has('Idempotency-Key')) request.headers.set('Idempotency-Key', newKey())
    const person = currentPerson()
    if (person) request.headers.set('Kettle-Person', String(person))
    return request
  },
  async onResponse({ request, response }) {
    if (response.status === 401) whoever.isGone()
    await hearOutage(response)
    const entry = Number(response.headers.get('Kettle-Entry'))
    if (request.method === 'GET' || !response.ok) return
    if (new URL(request.url).pathname.endsWith('/strike')) noUndo()
    else if (entry) offerUndo(entry)
  },
  onError: () => Response.json(UNREACHABLE, { status: 503 }),
}

let looking = 0

/** How many looks at the server are on their way. */
export const reading = () => looking

/** A write is kept until it is answered; a look is given up after a while, and made again once the kettle is back. */
async function persistently(request: Request): Promise<Response> {
  if (request.method !== 'GET') return taps.send(request)
  looking++
  try {
    return await look(request)
  } finally {
    looking--
  }
}

async function look(request: Request): Promise<Response> {
  for (const pause of RETRIES) {
    try {
      return await globalThis.fetch(request.clone())
    } catch {
      await new Promise((resolve) => setTimeout(resolve, pause))
    }
  }
  return globalThis.fetch(request)
}

/** The units that the shop reads, once it is known. */
export const read = shallowRef<Units>({ volume: 'mL', length: 'mm' })

const units: Middleware = {
  async onResponse({ request, response }) {
    if (!/\bjson\b/.test(response.headers.get('Content-Type') ?? '')) return undefined
    if (read.value.volume === 'mL' && read.value.length === 'mm') return undefined
    const told = inUnits(new URL(request.url).pathname, read.value, await response.clone().json())
    return new Response(JSON.stringify(told), { status: response.status, headers: response.headers })
  },
}

export const api = createClient<paths>({ baseUrl: '/', fetch: persistently })
api.use(headers, units)

/** Sends what was tapped before this page was loaded, and never answered. */
export const sendKept = () => taps.resume(setToken)

/** The problem of an answer, for a screen to show. */
export function problemOf(error: unknown): Problem {
  const problem = error as Partial<Problem> | undefined
  return problem?.detail ? (problem as Problem) : { status: 500, detail: 'Something went wrong here, not with you.' }
}
