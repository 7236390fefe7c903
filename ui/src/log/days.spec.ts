import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { byDays } from './days'

type Entry = Schemas['EntryJson']

let id = 100
const entry = (at: string, words: string, more: Partial<Entry> = {}) =>
  ({ id: id--, at, words, kind: 'upkeep', person: 'Wren', struckOut: false, ...more }) as Entry

describe('the log by days', () => {
  it('stands under the day of the shop, not of the browser or of Greenwich', () => {
    const days = byDays(
      [entry('2026-07-02T00:10:00Z', 'Bramble: wiped'), entry('2026-07-01T22:50:00Z', 'Teasel: wiped')],
      'Europe/London',
    )
    expect(days.map((d) => [d.day, d.lines.length])).toEqual([
      ['Thu 2 Jul', 1],
      ['Wed 1 Jul', 1],
    ])
    expect(days[0]?.lines[0]?.time).toBe('01:10')
  })

  it('says once what was done to channel after channel', () => {
    const done = ['Y', 'M', 'C', 'K'].map((c) => entry('2026-07-01T09:57:00Z', `Bramble: Purge sheet, ${c}`))
    const [day] = byDays([...done, entry('2026-07-01T09:57:00Z', 'Bramble: Wipe the wiper')], 'UTC')
    expect(day?.lines.map((l) => l.words)).toEqual(['Bramble: Purge sheet, K C M Y', 'Bramble: Wipe the wiper'])
    expect(day?.lines[0]?.entries).toHaveLength(4)
  })

  it.each([
    ['at another minute', { at: '2026-07-01T09:58:00Z' }],
    ['by somebody else', { person: 'Alder' }],
    ['that was struck out', { struckOut: true }],
    ['to another machine', { words: 'Clover: Purge sheet, K' }],
  ])('keeps apart what was done %s', (_, more) => {
    const at = '2026-07-01T09:57:00Z'
    const [day] = byDays([entry(at, 'Bramble: Purge sheet, C'), entry(at, 'Bramble: Purge sheet, K', more)], 'UTC')
    expect(day?.lines).toHaveLength(2)
  })
})
