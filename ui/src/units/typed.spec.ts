import { describe, expect, it } from 'vitest'
import { minorDigits, moneyOf, numberOf, numberOrNone, typedMoney, whyNoNumber } from './typed'

describe('what people type', () => {
  it.each([
    ['0.25', 0.25],
    ['0,25', 0.25],
    ['17,50', 17.5],
    [' 4 ', 4],
    ['-2,5', -2.5],
    ['1 250', 1250],
    ['0,250', 0.25],
    [',5', 0.5],
  ])('reads %s as %d', (text, number) => {
    expect(numberOf(text)).toBe(number)
  })

  it.each(['', 'much', '1,250', '1.2.3', '5 mL', '1e5', '1,2,3', 'Infinity'])('takes no number from “%s”', (text) => {
    expect(numberOf(text)).toBeNaN()
  })

  it('tells nothing said from nothing understood', () => {
    expect(numberOrNone(' ')).toBeUndefined()
    expect(numberOrNone('much')).toBeNaN()
  })

  it.each([
    ['17,50', 'GBP', 1750],
    ['0.25', 'EUR', 25],
    ['900', 'JPY', 900],
    ['1 250', 'JPY', 1250],
    ['1.5', 'KWD', 1500],
  ])('reads %s %s as %d minor units', (text, currency, minor) => {
    expect(moneyOf(text, currency)).toBe(minor)
  })

  it.each([
    ['17.505', 'GBP'],
    ['9.5', 'JPY'],
    ['', 'GBP'],
  ])('takes no amount from %s %s', (text, currency) => {
    expect(moneyOf(text, currency)).toBeNaN()
  })

  it.each([
    [1750, 'GBP', '17.50'],
    [1700, 'GBP', '17'],
    [900, 'JPY', '900'],
    [0, 'GBP', '0'],
  ])('shows %d minor units of %s as %s', (minor, currency, text) => {
    expect(typedMoney(minor, currency)).toBe(text)
    expect(moneyOf(text, currency)).toBe(minor)
  })

  it('says how a number is typed, and asks where one can be read in two ways', () => {
    expect(whyNoNumber('17,50')).toBe('')
    expect(whyNoNumber('lots', '17.50')).toBe('“lots” is no number. Type it like 17.50.')
    expect(whyNoNumber('1,250')).toBe('“1,250” can be read in two ways. Type 1250 or 1.250.')
    expect(minorDigits('JPY')).toBe(0)
  })
})
