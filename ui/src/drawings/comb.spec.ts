import { describe, expect, it } from 'vitest'
import { teeth, verdict } from './comb'

describe('a comb', () => {
  it('never loses a gap, however small it is drawn', () => {
    for (const most of [1, 7, 20, 59, 180]) {
      for (const gap of [0, 41, 58, 179]) {
        const drawn = teeth(180, [gap], most)
        expect(drawn.filter((t) => t.missing)).toHaveLength(1)
      }
    }
  })

  it('covers every nozzle exactly once', () => {
    for (const [nozzles, most] of [
      [59, 7],
      [180, 30],
      [5, 20],
    ] as const) {
      const drawn = teeth(nozzles, [], most)
      expect(drawn[0]?.from).toBe(0)
      expect(drawn.at(-1)?.to).toBe(nozzles - 1)
      drawn.slice(1).forEach((tooth, i) => expect(tooth.from).toBe((drawn[i]?.to ?? 0) + 1))
    }
  })

  it('says what it shows', () => {
    expect(verdict(180, 0)).toBe('whole')
    expect(verdict(180, 3)).toBe('3 of 180 missing')
  })
})
