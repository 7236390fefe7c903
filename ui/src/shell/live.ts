import { onScopeDispose, ref, shallowReadonly } from 'vue'

type Listener = (topic: string) => void

const EVERYTHING = '*'
const listeners = new Set<Listener>()
const lost = ref(false)

/** Whether the connection to the server is lost at the moment. */
export const disconnected = shallowReadonly(lost)

let listening = false
let source: EventSource | undefined
const others = 'BroadcastChannel' in window ? new BroadcastChannel('kettle.live') : undefined

function tell(topic: string) {
  for (const listener of [...listeners]) listener(topic)
}

function tellAll(topic: string) {
  tell(topic)
  others?.postMessage({ topic })
}

function setLost(now: boolean) {
  if (lost.value && !now) tell(EVERYTHING) // what was missed beyond the server's memory
  lost.value = now
}

/** Everything is looked at anew: nobody knows what was missed. */
export const catchUp = () => tell(EVERYTHING)

function open() {
  source = new EventSource('/api/live')
  source.addEventListener('change', (event) =>
    tellAll((JSON.parse((event as MessageEvent<string>).data) as { topic: string }).topic),
  )
  source.onopen = () => announce(false)
  source.onerror = () => {
    announce(true)
    if (source?.readyState === EventSource.CLOSED) setTimeout(open, 2000)
  }
}

function announce(now: boolean) {
  setLost(now)
  others?.postMessage({ lost: now })
}

/**
 * A browser keeps no more than six connections to a server, so one tab listens for all: whichever holds the lock. Without
 * locks (they need a secure origin) every tab listens for itself, and lets go when it is left.
 */
function listen() {
  listening = true
  if (others)
    others.onmessage = (event: MessageEvent<{ topic?: string; lost?: boolean }>) => {
      if (event.data.topic) tell(event.data.topic)
      if (event.data.lost !== undefined) setLost(event.data.lost)
    }
  if (others && 'locks' in navigator && navigator.locks) {
    void navigator.locks.request('kettle.live', () => {
      open()
      return new Promise(() => undefined) // held until this tab is closed or left
    })
  } else open()
  window.addEventListener('pagehide', () => source?.close())
  window.addEventListener('pageshow', (event) => {
    if (!event.persisted) return
    tell(EVERYTHING)
    if (source) open()
  })
}

/** Calls back whenever one of the topics changes ("bench", "card/3"; a prefix with "/" takes all below it). */
export function useLive(topics: () => string[], changed: () => void): void {
  if (!listening) listen()
  const listener = (topic: string) => {
    if (topic === EVERYTHING || topics().some((t) => topic === t || (t.endsWith('/') && topic.startsWith(t)))) changed()
  }
  listeners.add(listener)
  onScopeDispose(() => listeners.delete(listener))
}
