import { describe, expect, it } from 'vitest'
import { amountOf, matters, ranked, type Article, type Supplier } from './useBuying'

const article = (more: Partial<Article>) =>
  ({ low: false, perWeek: 0, minimum: 0, onTheWay: 0, own: false, ...more }) as Article

describe('the shelf as a buyer sees it', () => {
  it('measures what is poured and counts the rest', () => {
    expect(amountOf(57.04, true, 'mL')).toBe('57 mL')
    expect(amountOf(29.5735, true, 'fl oz')).toBe('1 fl oz')
    expect(amountOf(12, false, 'fl oz')).toBe('12')
  })

  it('leaves out what nobody uses and nobody asked for', () => {
    expect(matters(article({}))).toBe(false)
    expect(matters(article({ perWeek: 0.5 }))).toBe(true)
    expect(matters(article({ low: true }))).toBe(true)
    expect(matters(article({ own: true }))).toBe(true)
  })

  it('ranks what one mL costs, and no sets: of a set no bottle has a price', () => {
    const offer = (name: string, perUnit: Record<string, number>) => ({ id: 1, name, contents: [], tiers: [], perUnit })
    const suppliers = [
      { name: 'Lane', offers: [offer('100 mL', { C: 11.9 }), offer('set', {})] },
      { name: 'Quay', offers: [offer('250 mL plain', { C: 7 })] },
    ] as unknown as Supplier[]
    expect(ranked(suppliers, 'C').map((o) => o.supplier)).toEqual(['Quay', 'Lane'])
    expect(ranked(suppliers, 'M')).toEqual([])
  })
})
