import { describe, expect, it } from 'vitest'
import { byRole, monthName, monthsBetween, whole, type Books } from './books'

describe('what ink left for', () => {
  it('is told by what it comes to for the shop', () => {
    expect(byRole({ mL: { PRINTS: 12.5, CLEANINGS: 3, PURGES: 1.5, DRAINS: 40, BOUGHT: -100 } })).toEqual([
      12.5, 4.5, 40, 0,
    ])
  })

  it('adds up over the months without dust of halves', () => {
    const month = (prints: number) => ({ name: '', mL: { PRINTS: prints }, gone: prints, cost: 0 })
    expect(whole({ months: [month(0.1), month(0.2)] } as unknown as Books)).toEqual([0.3, 0, 0, 0])
  })
})

describe('months', () => {
  it('are listed from the newest to the first, over the turn of a year', () => {
    expect(monthsBetween('2025-11', '2026-02')).toEqual(['2026-02', '2026-01', '2025-12', '2025-11'])
    expect(monthsBetween('2026-03', '2026-02')).toEqual([])
  })

  it('are called by name', () => {
    expect(monthName('2026-09')).toBe('Sept 2026')
  })
})
