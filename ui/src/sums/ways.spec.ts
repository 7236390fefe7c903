import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { cheapest, paidBy, paysWhen } from './ways'

const way = (more: object) => ({ once: 6000, perMonth: 500, ...more }) as unknown as Schemas['FedJson']

describe('which way pays', () => {
  it('adds up month by month, from what is paid at once', () => {
    expect(paidBy(way({}), 3)).toEqual([6000, 6500, 7000, 7500])
  })
  it.each([
    [{}, 'never'],
    [{ ahead: 2.1 }, 'cheaper for 2.1 months, then never'],
    [{ months: 0, sheets: 0 }, 'from the first sheet'],
    [{ months: 1, sheets: 80 }, 'after 1 month, 80 sheets'],
    [{ months: 3.4, sheets: 272 }, 'after 3.4 months, 272 sheets'],
  ])('%j pays %s', (more, words) => {
    expect(paysWhen(way(more))).toBe(words)
  })
  it('tells the cheapest of a year and of three', () => {
    const ways = [
      way({ label: 'dear at once', year: 12000, threeYears: 24000 }),
      way({ label: 'dear for ever', year: 9000, threeYears: 27000 }),
    ]
    expect(cheapest(ways, 'year')).toBe('dear for ever')
    expect(cheapest(ways, 'threeYears')).toBe('dear at once')
    expect(cheapest([], 'year')).toBeUndefined()
  })
})
