import type { Schemas } from '../api/client'

type Learned = Pick<Schemas['LearnedJson'], 'treatment' | 'worked' | 'times'>

/** Each treatment over all kinds of machine and ink, the most tried first. */
export function achieved(learned: Learned[]): Learned[] {
  const by = new Map<string, Learned>()
  for (const l of learned) {
    const sum = by.get(l.treatment) ?? { treatment: l.treatment, worked: 0, times: 0 }
    by.set(l.treatment, { ...sum, worked: sum.worked + l.worked, times: sum.times + l.times })
  }
  return [...by.values()].filter((t) => t.times).sort((a, b) => b.times - a.times)
}
