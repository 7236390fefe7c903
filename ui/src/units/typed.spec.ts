import { describe, expect, it } from 'vitest'
import {
  dateTyped,
  instantIn,
  minorDigits,
  moneyOf,
  numberOf,
  numberOrNone,
  todayIn,
  exchanged,
  typedMoney,
  whyNoNumber,
} from './typed'

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

describe('a date as people type it', () => {
  const today = '2026-12-01' // a Tuesday

  it.each([
    ['19 Dec', '2026-12-19'],
    ['19th december', '2026-12-19'],
    ['19.12.', '2026-12-19'],
    ['19/12/26', '2026-12-19'],
    ['2026-12-19', '2026-12-19'],
    ['3 Mar', '2027-03-03'],
    ['29 Feb 2028', '2028-02-29'],
    ['today', '2026-12-01'],
    ['tomorrow', '2026-12-02'],
    ['Fri', '2026-12-04'],
    ['Tue', '2026-12-08'],
  ])('reads %s as %s', (text, date) => expect(dateTyped(text, today)).toBe(date))

  it.each(['', '31 Jun', '29 Feb 2027', '12', 'soon', '13/13', '2026-1'])('takes no date from “%s”', (text) =>
    expect(dateTyped(text, today)).toBe(''),
  )

  it('knows the shop’s own day', () => {
    const lateInLondon = Date.parse('2026-12-01T23:30:00Z')
    expect(todayIn('Europe/London', lateInLondon)).toBe('2026-12-01')
    expect(todayIn('Asia/Tokyo', lateInLondon)).toBe('2026-12-02')
  })

  it.each([
    ['Europe/London', '2026-12-19', '12:00:00', '2026-12-19T12:00:00.000Z'],
    ['Europe/London', '2026-07-19', '12:00:00', '2026-07-19T11:00:00.000Z'],
    ['Asia/Kolkata', '2026-07-19', '00:15:00', '2026-07-18T18:45:00.000Z'],
    ['America/New_York', '2026-03-08', '12:00:00', '2026-03-08T16:00:00.000Z'], // the morning the clocks went forward
  ])('in %s, %s %s is %s', (zone, date, time, instant) => expect(instantIn(zone, date, time)).toBe(instant))
})

describe('a price in another currency', () => {
  it.each([
    [2499, 'USD', '0.79', 'GBP', 1974],
    [1000, 'JPY', '0.0053', 'GBP', 530],
    [1250, 'GBP', '188,6', 'JPY', 2358],
    [1500, 'KWD', '2.55', 'GBP', 383],
    [5, 'USD', '0.1', 'GBP', 1],
  ])('%i of %s at %s is in %s %i, to the minor unit', (minor, from, rate, to, comes) => {
    expect(exchanged(minor, from, rate, to)).toBe(comes)
  })

  it('is none without a rate', () => {
    expect(exchanged(100, 'USD', '', 'GBP')).toBeNaN()
    expect(exchanged(100, 'USD', '0', 'GBP')).toBeNaN()
    expect(exchanged(Number.NaN, 'USD', '0.8', 'GBP')).toBeNaN()
  })
})
