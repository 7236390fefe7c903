import type { Job } from './useJob'

/** The one thing to do next with a job, and the part of its page where it is done. */
export interface Next {
  part: '' | 'print' | 'press' | 'came'
  words: string
}

export function nextOf(job: Job): Next | undefined {
  if (job.state !== 'TAKEN' && job.state !== 'PRINTED') return undefined
  if (!job.on) return { part: '', words: 'Choose the machine' }
  const waiting = job.faults.at(-1)
  if (job.state === 'TAKEN') {
    if (job.on.check !== 'GOOD_TODAY' && job.printed === 0)
      return { part: 'print', words: `Look at ${job.on.name}: ${job.on.checkSays}` }
    const short = job.takes?.channels.filter((c) => !c.lasts).map((c) => c.channel) ?? []
    if (short.length) return { part: 'print', words: `Top up ${short.join(', ')}` }
    return { part: 'print', words: `Print it on ${job.on.name}` }
  }
  const step = job.steps.find((s) => !s.done)
  if (step) return { part: 'press', words: step.title }
  return { part: 'came', words: waiting ? 'Say what became of it' : 'Say what came of it' }
}

const UNDER_WAY = ['QUEUED', 'SENDING', 'UNSURE', 'PRINTING', 'DONE']

/** Sheets that are neither out nor on their way, as the first of them and how many. */
export function remaining(job: Job): { first: number; count: number } {
  const all = job.laidOut?.sheets ?? 0
  const out = new Set<number>()
  for (const s of job.sheets) {
    if (!s.test && (s.out || UNDER_WAY.includes(s.state ?? ''))) for (let i = 0; i < s.sheets; i++) out.add(s.first + i)
  }
  let first = 0
  while (first < all && out.has(first)) first++
  let count = 0
  while (first + count < all && !out.has(first + count)) count++
  return { first, count }
}
