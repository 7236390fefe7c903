import { describe, expect, it } from 'vitest'
import { inUnits, toldIn } from './told'

const US = { volume: 'fl oz', length: 'inch' } as const
const METRIC = { volume: 'mL', length: 'mm' } as const

describe('what the server says', () => {
  it('names volumes and lengths in the shop’s units', () => {
    expect(toldIn(US, 'Draw 29.5735 mL, slowly.')).toBe('Draw 1 fl oz, slowly.')
    expect(toldIn(US, 'about half a minute for 10 mL')).toBe('about half a minute for 0.34 fl oz')
    expect(toldIn(US, '25.4 mm above level, 30.48 cm of film')).toBe('1 in above level, 12 in of film')
    expect(toldIn(US, '210 × 297 mm')).toBe('8.27 × 11.69 in')
    expect(toldIn(US, '5–10 mL, or 5 to 10 mL')).toBe('0.17–0.34 fl oz, or 0.17 to 0.34 fl oz')
  })

  it('leaves everything else as it is', () => {
    for (const words of ['180 °C for 45 s', '3 cleanings', 'lot 20mLx', 'A4, 12 min'])
      expect(toldIn(US, words)).toBe(words)
    expect(toldIn(METRIC, '10 mL at 3 mm')).toBe('10 mL at 3 mm')
  })

  it('changes sentences alone: what somebody typed, or is to type, stays', () => {
    const answer = { say: 'Draw 10 mL', name: 'Cyan, 100 mL', steps: [{ cautions: ['10 mL at once'], volume: 10 }] }
    expect(inUnits('/api/cards/3', US, answer)).toEqual({
      say: 'Draw 0.34 fl oz',
      name: 'Cyan, 100 mL',
      steps: [{ cautions: ['0.34 fl oz at once'], volume: 10 }],
    })
    expect(inUnits('/api/machines/3/passport', US, { facts: [{ words: '10 mL syringe' }] })).toEqual({
      facts: [{ words: '10 mL syringe' }],
    })
    expect(inUnits('/api/cards/3', METRIC, answer)).toBe(answer)
  })
})
