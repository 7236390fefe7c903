import { describe, expect, it } from 'vitest'
import { uncappedWords } from './uncapped'

const at = '2026-11-30T09:00:00Z'
const after = (minutes: number) => new Date(at).getTime() + minutes * 60_000

describe('a head off its dock', () => {
  it('says nothing while it is docked', () => {
    expect(uncappedWords({ bareLimit: 20 }, after(5))).toBeUndefined()
    expect(uncappedWords(undefined, after(5))).toBeUndefined()
  })

  it('counts the minutes in the air, and says before the limit what to do', () => {
    const card = { uncappedSince: at, bareLimit: 20 }
    expect(uncappedWords(card, after(4))?.words).toBe('head open to the air for 4 min of 20 min')
    expect(uncappedWords(card, after(14))?.words).not.toContain('cloth')
    expect(uncappedWords(card, after(15))?.words).toContain('lay a wet cloth under it')
    expect(uncappedWords({ ...card, bareLimit: 8 }, after(6))?.words).toContain('of 8 min: dock it')
  })

  it('does not trust a cloth over night', () => {
    const left = uncappedWords({ uncappedSince: at, clothSince: at, bareLimit: 20 }, after(65 * 60 + 20))
    expect(left?.words).toBe('head on its wet cloth for 2 days 17 h: wet it now, and dock it before you leave it again')
    expect(left?.late).toBe(true)
  })

  it('is calm on a wet cloth, and wants it wet again every half hour', () => {
    const card = { uncappedSince: at, clothSince: at, bareLimit: 20 }
    expect(uncappedWords(card, after(12))).toEqual({ words: 'head on its wet cloth for 12 min', late: false })
    expect(uncappedWords(card, after(31))).toEqual({
      words: 'head on its wet cloth for 31 min: wet it again',
      late: true,
    })
    expect(uncappedWords(card, after(45))?.late).toBe(false)
    expect(uncappedWords(card, after(95))?.words).toBe('head on its wet cloth for 1 h 35 min: wet it again')
    expect(uncappedWords(card, after(60))?.late).toBe(true)
  })
})
