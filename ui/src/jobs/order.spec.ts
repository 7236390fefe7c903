import { describe, expect, it } from 'vitest'
import { emptyOrder, sent, typedOf, usualMedia } from './order'

describe('an order as it is typed', () => {
  it('is sent in tenths of a millimetre, on the shop’s clock', () => {
    const typed = { ...emptyOrder(), customer: 'Pony Club', what: 'rosettes', date: '2026-12-04', time: '9:30' }
    typed.pieces = [{ label: 'centre', width: 58.2, height: 58, count: 24, turning: 'FREE', artwork: 0 }]
    const order = sent(typed, 'Europe/London')
    expect(order.pieces[0]).toMatchObject({ width: 582, height: 580, count: 24 })
    expect(order.pieces[0]?.artwork).toBeUndefined()
    expect(new Date(order.due).toISOString()).toBe('2026-12-04T09:30:00.000Z')
    expect(order.press).toBeUndefined()
  })

  it('can be half typed', () => {
    expect(sent({ ...emptyOrder(), date: '29 D' }, 'Europe/London').due).toBe('')
  })

  it('comes back as it was typed', () => {
    const typed = {
      ...emptyOrder(),
      customer: 'Harriers',
      what: 'kit',
      date: '2026-07-04',
      time: '16:00',
      gap: 4.5,
      pressC: 150,
      pressS: 12,
    }
    const again = typedOf(sent(typed, 'Europe/London'), 'Europe/London')
    expect(again).toMatchObject({ date: '2026-07-04', time: '16:00', gap: 4.5, pressC: 150, pressS: 12, cureC: 0 })
    expect(sent(again, 'Europe/London')).toEqual(sent(typed, 'Europe/London'))
  })

  it('is on film where it is printed with film ink', () => {
    expect(usualMedia('FILM')).toContain('roll')
    expect(usualMedia('EDIBLE')).toBe('A4')
  })
})
