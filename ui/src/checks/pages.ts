import type { Schemas } from '../api/client'

type Reading = Pick<Schemas['ReadingJson'], 'looks'>

export interface Difference {
  channel: string
  strokes: number
  before: number
  after: number
  /** strokes that came back, and strokes that went */
  healed: number[]
  new: number[]
  words: string
}

/** What became of each channel that both pages show. */
export function differences(before: Reading, after: Reading): Difference[] {
  return after.looks.flatMap((now) => {
    const was = before.looks.find((l) => l.channel === now.channel)
    if (!was || was.unreadable || now.unreadable || was.strokes !== now.strokes || !now.strokes) return []
    const healed = was.missing.filter((i) => !now.missing.includes(i))
    const fresh = now.missing.filter((i) => !was.missing.includes(i))
    return [
      {
        channel: now.channel,
        strokes: now.strokes,
        before: was.missing.length,
        after: now.missing.length,
        healed,
        new: fresh,
        words: words(was.missing.length, healed.length, fresh.length),
      },
    ]
  })
}

function words(before: number, healed: number, fresh: number): string {
  if (!before && !fresh) return 'whole, as before'
  if (!healed && !fresh) return 'the same gaps'
  if (healed && fresh) return `${healed} came back, ${fresh} new: gaps that move`
  return fresh ? `${fresh} new` : healed === before ? 'all came back' : `${healed} came back`
}
