import { describe, expect, it } from 'vitest'
import {
  figure,
  inLength,
  inUnit,
  length,
  typedLength,
  countdown,
  minutes,
  money,
  percent,
  typable,
  typedVolume,
  volume,
} from './format'

describe('volumes', () => {
  it.each([
    [57.32, 'mL', '57 mL'],
    [5.55, 'mL', '5.5 mL'],
    [0.02, 'mL', '0 mL'],
    [57, 'fl oz', '1.93 fl oz'],
  ] as const)('%f in %s reads %s', (mL, unit, words) => expect(volume(mL, unit)).toBe(words))

  it.each([
    ['57', 'mL', '57'],
    ['5,5', 'mL', '5.5'],
    ['1.93', 'fl oz', '57.077'],
    ['', 'mL', undefined],
    ['a lot', 'mL', undefined],
    ['-3', 'mL', undefined],
  ] as const)('“%s” typed in %s is %s mL', (text, unit, mL) => expect(typedVolume(text, unit)).toBe(mL))

  it('are typed as they are shown', () => {
    for (const mL of [0.5, 5, 57, 93.8]) expect(Number(typedVolume(typable(mL, 'fl oz'), 'fl oz'))).toBeCloseTo(mL, 1)
  })
})

describe('other figures', () => {
  it.each([
    [0.005, '0.5 %'],
    [0.00494, '0.494 %'],
    [0.0428, '4.28 %'],
    [0.62, '62 %'],
  ])('a share of %f reads %s', (share, words) => expect(percent(share)).toBe(words))

  it('knows each currency’s minor unit', () => {
    expect(money({ minor: 1234, currency: 'GBP' })).toBe('£12.34')
    expect(money({ minor: 1234, currency: 'JPY' })).toBe('JP¥1,234')
  })

  it.each([
    [38, '38 min'],
    [80, '1 h 20 min'],
    [720, '12 h'],
    [2879, '47 h 59 min'],
    [2880, '2 days'],
    [3898, '2 days 17 h'],
  ])('%d minutes read %s', (total, words) => expect(minutes(total)).toBe(words))

  it.each([
    [112_000, '1:52'],
    [-5, '0:00'],
    [24_060_000, '6 h 41 min'],
  ])('%d ms left read %s', (left, words) => expect(countdown(left)).toBe(words))
})

describe('a figure whose unit stands above it', () => {
  it('is in the unit that people read', () => {
    expect(figure(57.04)).toBe('57')
    expect(figure(59.147, 'fl oz')).toBe('2')
    expect(inUnit(29.5735295625, 'fl oz')).toBe(1)
    expect(inUnit(12)).toBe(12)
  })
})

describe('lengths', () => {
  it.each([
    [12, 'mm', '12 mm'],
    [0.14, 'mm', '0.14 mm'],
    [25.4, 'inch', '1 in'],
    [12, 'inch', '0.47 in'],
  ] as const)('%d mm in %s is %s', (mm, unit, words) => expect(length(mm, unit)).toBe(words))

  it('are read back as they were typed, to the shown digit', () => {
    for (const mm of [0.5, 2, 12, 90, 210, 297])
      for (const unit of ['mm', 'inch'] as const)
        expect(typedLength(String(inLength(mm, unit)), unit)).toBeCloseTo(mm, 9)
    expect(typedLength('1,5', 'inch')).toBeCloseTo(38.1, 9)
    expect(typedLength('a hand', 'mm')).toBeNaN()
  })
})
