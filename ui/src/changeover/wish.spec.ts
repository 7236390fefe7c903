import { describe, expect, it } from 'vitest'
import { asQuery, wishOf, withSlot } from './wish'

describe('the wish in an address', () => {
  it('is a change to sublimation when nothing is said', () => {
    expect(wishOf({})).toMatchObject({ purpose: 'CHANGE', family: 'SUBLIMATION', make: 'own' })
  })

  it('leaves the ink to the machine when it is parked', () => {
    expect(wishOf({ for: 'PARK', to: 'FILM' })).toMatchObject({ purpose: 'PARK', family: undefined, make: undefined })
  })

  it('goes into the addresses of papers without what was not said', () => {
    expect(asQuery(wishOf({ to: 'FILM', by: 'FILM_REBUILD', purity: '0.002' }))).toBe(
      'purpose=CHANGE&family=FILM&make=own&purity=0.002&route=FILM_REBUILD',
    )
  })
})

describe('choosing what a slot becomes', () => {
  const slots = [
    { before: 'K', code: 'K', doing: 'FILL' },
    { before: 'LC', code: 'W1', doing: 'FILL' },
    { before: 'LM', code: 'W2', doing: 'FILL' },
  ]

  it.each([
    ['LM', 'fluid', { carries: 'LC:W1', rest: 'LM' }],
    ['LC', 'W3', { carries: 'LC:W3,LM:W2', rest: undefined }],
    ['K', 'fluid', { carries: 'LC:W1,LM:W2', rest: 'K' }],
  ])('%s to %s', (before, choice, address) => {
    expect(withSlot(slots, before, choice)).toEqual(address)
  })

  it('takes a slot off fluid again', () => {
    expect(withSlot([{ before: 'LC', code: 'LC', doing: 'ON_FLUID' }], 'LC', 'LC')).toEqual({
      carries: undefined,
      rest: undefined,
    })
  })
})
