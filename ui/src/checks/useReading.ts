import { computed, ref, shallowReadonly } from 'vue'
import { api, newKey, problemOf, type Schemas } from '../api/client'
import { useServer } from '../api/useServer'

export type Reading = Schemas['ReadingJson']

/** A picture on its way: waiting, on the line, read, or refused with a reason. */
export interface Sent {
  name: string
  state: 'waiting' | 'reading' | 'read' | 'unread' | 'refused'
  words: string
  reading?: Reading
}

const LOOKS_AGAIN = 800 // ms; a line that moves is worth telling

/** Sends pictures one after the other; each is read by the server and files itself. */
export function useReading(machine: () => number | undefined, done: (reading: Reading) => void, keep = true) {
  const sent = ref<Sent[]>([])
  const busy = ref(false)

  async function send(files: Iterable<File>) {
    for (const file of files) queue.push([file, add(file.name)])
    if (busy.value) return
    busy.value = true
    for (let next = queue.shift(); next; next = queue.shift()) await read(...next)
    busy.value = false
  }
  const queue: [File, number][] = []
  function add(name: string): number {
    sent.value = [
      ...sent.value.filter((s) => s.state === 'waiting' || s.state === 'reading'),
      { name, state: 'waiting', words: 'waits' },
    ]
    return sent.value.length - 1
  }
  function put(at: number, change: Partial<Sent>) {
    sent.value = sent.value.map((s, i) => (i === at ? { ...s, ...change } : s))
  }

  async function read(file: File, at: number) {
    const key = newKey()
    const reading = 'is being read …'
    put(at, { state: 'reading', words: reading })
    const asking = setInterval(async () => {
      const { data } = await api.GET('/api/readings/waiting', { params: { query: { key } } })
      if (sent.value[at]?.state === 'reading')
        put(at, { words: data?.before ? `waits: ${data.before} before yours` : reading })
    }, LOOKS_AGAIN)
    const { data, error } = await api
      .POST('/api/readings', {
        params: { query: { machine: machine(), keep } },
        body: file as unknown as string,
        bodySerializer: (body: unknown) => body as Blob,
        headers: { 'Content-Type': 'application/octet-stream', 'Idempotency-Key': key },
      })
      .finally(() => clearInterval(asking))
    if (!data) return put(at, { state: 'refused', words: problemOf(error).detail })
    put(at, {
      state: data.whyNot ? 'unread' : 'read',
      words: [
        data.whyNot ?? `read and filed with ${data.machineName ?? 'no machine'}`,
        ...data.alsoRead.map((other) =>
          other.whyNot ? `another sheet was not read: ${other.whyNot}` : `another with ${other.machineName}`,
        ),
      ].join('; '),
      reading: data,
    })
    done(data)
  }
  return { sent: shallowReadonly(sent), busy: shallowReadonly(busy), send }
}

/** What a machine's checks say, kept up to date. */
export function useChecks(machine: () => number) {
  const { data, problem, reload } = useServer<Schemas['MachineChecksJson']>(
    () => ['checks', machine()],
    () => api.GET('/api/machines/{machine}/checks', { params: { path: { machine: machine() } } }),
    () => ['readings', `machine/${machine()}`],
    () => machine() > 0,
  )
  return { checks: data, problem: computed(() => problem.value?.detail), load: reload }
}
