import type { Schemas } from '../api/client'
import { clock, day } from '../units/format'

type Entry = Schemas['EntryJson']

/** What was done in one go: one entry, or the same to several channels. */
export interface Line {
  id: number
  words: string
  time: string
  entries: Entry[]
}

export interface LogDay {
  day: string
  lines: Line[]
}

const OF_CHANNEL = /^(.*), ([A-Z][A-Z0-9]?)$/

/** Entries, newest first, by the days of the shop; what was done to channel after channel is one line. */
export function byDays(entries: Entry[], zone: string): LogDay[] {
  const days: LogDay[] = []
  for (const entry of entries) {
    const on = day(entry.at, zone)
    if (days.at(-1)?.day !== on) days.push({ day: on, lines: [] })
    const lines = days.at(-1)?.lines ?? []
    const last = lines.at(-1)
    if (last && together(last.entries[0], entry, zone)) {
      last.entries.push(entry)
      last.words = wordsOf(last.entries)
    } else {
      lines.push({ id: entry.id, words: entry.words, time: clock(entry.at, zone), entries: [entry] })
    }
  }
  return days
}

function together(one: Entry | undefined, other: Entry, zone: string): boolean {
  const mine = OF_CHANNEL.exec(one?.words ?? '')?.[1]
  return (
    one !== undefined &&
    mine !== undefined &&
    mine === OF_CHANNEL.exec(other.words)?.[1] &&
    one.kind === other.kind &&
    one.person === other.person &&
    one.struckOut === other.struckOut &&
    clock(one.at, zone) === clock(other.at, zone)
  )
}

function wordsOf(entries: Entry[]): string {
  const parts = entries.map((e) => OF_CHANNEL.exec(e.words))
  return `${parts[0]?.[1]}, ${parts
    .map((p) => p?.[2])
    .reverse()
    .join(' ')}`
}
