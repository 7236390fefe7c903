import { computed, shallowRef, triggerRef, watch } from 'vue'
import { disconnected } from '../shell/live'

/** A write on its way: kept here until the kettle answers, however long it is out of reach. */
export interface Tap {
  key: string
  /** What was tapped or typed into, in the words of its control. */
  what: string
  /** The page's own heading, and before it what it is about where the heading does not say. */
  where: string
  at: number
  /** It was tried once, and nobody answered. */
  away: boolean
  /** Why the kettle would not take it, where nobody looks at its page any more. */
  refused?: string
}

/** As it is kept for a page that is loaded again; a picture is not. */
interface Written extends Pick<Tap, 'key' | 'what' | 'where' | 'at'> {
  url: string
  method: string
  headers: Record<string, string>
  body: string
}

const PAUSES = [300, 1000, 2500] // ms; the key makes a repeated write harmless
const LATER = 5000 // ms, for as long as it takes
const LABEL = 60 // letters of a control's name
const FRESH = 2000 // ms between a tap and its write
const A_DAY = 24 * 60 * 60_000 // ms; what was true of a machine yesterday may not be today
const STORE = 'kettle.taps'

/** What a vault keeps, and what opens the shop, is written down nowhere else, and shown nowhere. */
const SECRET = /\/(activation-code|vault|sessions?|access|devices)(\/|$)/

/** Acts on one card go one after the other, as they were tapped. */
const IN_ORDER = /^\/api\/cards\/\d+/

const outstanding = shallowRef<Tap[]>([])
const lines = new Map<string, Promise<unknown>>()
/** Ends the pause of a tap, by its key. */
const wakers = new Map<string, () => void>()
let pressed = { words: '', at: 0 }

/** What waits here because the kettle is out of reach, oldest first, and what it refused since. */
export const taps = computed(() =>
  outstanding.value.some((tap) => tap.away) ? outstanding.value : outstanding.value.filter((tap) => tap.refused),
)

function listenToHands() {
  const heard = (event: Event) => {
    const control = (event.target as Element | null)?.closest('button, a, label, summary, input, select, textarea')
    if (!control) return
    const name =
      control.getAttribute('aria-label') ?? (control.textContent || control.getAttribute('placeholder') || '')
    const dialog = control.closest('.modal')?.querySelector('.modal-title')?.textContent ?? ''
    const value = event.type === 'change' ? (control as HTMLInputElement).value : ''
    const words = [dialog, name, value]
      .map((w) => w.replace(/\s+/g, ' ').trim())
      .filter(Boolean)
      .join(': ')
    pressed = { words: words.slice(0, LABEL), at: Date.now() }
  }
  for (const type of ['click', 'change']) window.addEventListener(type, heard, { capture: true })
}
listenToHands()

watch(disconnected, (lost) => {
  if (!lost) for (const wake of [...wakers.values()]) wake()
})

window.addEventListener('beforeunload', (event) => {
  const stored = new Set(read().map((written) => written.key))
  if (outstanding.value.some((tap) => tap.away && !stored.has(tap.key))) event.preventDefault() // a picture would be lost
})

function read(): Written[] {
  try {
    return JSON.parse(localStorage.getItem(STORE) ?? '[]') as Written[]
  } catch {
    return []
  }
}

function write(change: (all: Written[]) => Written[]) {
  const all = change(read())
  try {
    if (all.length) localStorage.setItem(STORE, JSON.stringify(all))
    else localStorage.removeItem(STORE)
  } catch {
    // the browser’s store is full or forbidden: the tap stays in memory, and leaving the page asks first
  }
}

/** Until it is time to try again, the kettle is heard of again, or nobody wants it any more. */
function pause(milliseconds: number, key: string): Promise<void> {
  return new Promise((resolve) => {
    const done = () => {
      clearTimeout(timer)
      wakers.delete(key)
      resolve()
    }
    const timer = setTimeout(done, milliseconds)
    wakers.set(key, done)
  })
}

async function keep(tap: Tap, request: Request) {
  tap.away = true
  triggerRef(outstanding)
  const type = request.headers.get('Content-Type')
  if ((type && !type.includes('json')) || SECRET.test(request.url)) return
  const body = await request.clone().text()
  const { key, what, where, at } = tap
  const headers = Object.fromEntries(request.headers)
  write((all) => [
    ...all.filter((written) => written.key !== key),
    { key, what, where, at, url: request.url, method: request.method, headers, body },
  ])
}

/** Whether the kettle heard it and could not keep it: its database is gone, or its disk is full. */
export async function isOutage(answer: Response): Promise<boolean> {
  if (answer.status !== 503 && answer.status !== 507) return false
  const { type } = (await answer
    .clone()
    .json()
    .catch(() => ({}))) as { type?: string }
  return type === '/problems/database' || type === '/problems/disk'
}

async function deliver(tap: Tap, request: Request): Promise<Response> {
  for (let tries = 0; outstanding.value.includes(tap); tries++) {
    if (Date.now() - tap.at > A_DAY) return unsent(TOO_OLD) // by then the server may have forgotten that it heard it
    const answer = await globalThis.fetch(request.clone()).catch(() => undefined)
    if (answer && !(await isOutage(answer))) return answer
    if (!tap.away) await keep(tap, request)
    await pause(PAUSES[tries] ?? LATER, tap.key)
  }
  return unsent('It is not sent again. Look whether the kettle had heard it before you repeat it.')
}

const TOO_OLD =
  'It is older than a day, so it was not sent. Look whether it was heard, and do it again if it still holds.'

const unsent = (detail: string) => Response.json({ status: 503, detail }, { status: 503 })

function gone(tap: Tap) {
  outstanding.value = outstanding.value.filter((other) => other !== tap)
  write((all) => all.filter((written) => written.key !== tap.key))
}

function here(): string {
  const said = ['[data-where]', 'h1'].map((css) => document.querySelector(css)?.textContent?.trim())
  return said.filter(Boolean).join(': ') || document.title
}

/** Sends a write, and again until it is answered or dropped. Its answer is the server's own. */
export function send(request: Request): Promise<Response> {
  const fresh = Date.now() - pressed.at < FRESH
  return track(
    {
      key: request.headers.get('Idempotency-Key') ?? '',
      what: (fresh && !SECRET.test(request.url) && pressed.words) || 'What was done',
      where: here(),
      at: Date.now(),
      away: false,
    },
    request,
  )
}

function track(tap: Tap, request: Request): Promise<Response> {
  outstanding.value = [...outstanding.value, tap]
  const line = IN_ORDER.exec(new URL(request.url).pathname)?.[0]
  const before = (line && lines.get(line)) || Promise.resolve()
  const answered = before.then(() => deliver(tap, request)).finally(() => gone(tap))
  if (line)
    lines.set(
      line,
      answered.catch(() => undefined),
    )
  return answered
}

/** It is not sent any more. */
export function drop(tap: Tap) {
  gone(tap)
  wakers.get(tap.key)?.()
}

/** Sends what was kept when this page was closed. What is refused then is told, since nobody waits for its answer. */
export async function resume(token: (request: Request) => void): Promise<void> {
  await Promise.all(
    read().map(async ({ url, method, headers, body, ...written }) => {
      const request = new Request(url, { method, headers, body: body || undefined })
      token(request)
      const tap: Tap = { ...written, away: true }
      const answer = await track(tap, request)
      if (answer.ok) return
      const problem = (await answer.json().catch(() => ({}))) as { detail?: string }
      const refused = problem.detail ?? 'It was refused.'
      outstanding.value = [...outstanding.value, { ...tap, away: false, refused }]
    }),
  )
}
