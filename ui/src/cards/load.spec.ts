import { describe, expect, it } from 'vitest'
import { hasAir, mLOf, withAir } from './load'

describe('a load of the syringe', () => {
  it('keeps its mL, and whether air came with it', () => {
    expect(withAir('8.5', false)).toBe('8.5')
    expect(mLOf(withAir('8.5', true))).toBe(8.5)
    expect(hasAir(withAir('8.5', true))).toBe(true)
    expect(hasAir('8.5')).toBe(false)
  })

  it('is nothing while its cell is open', () => {
    expect(mLOf(undefined)).toBe(0)
  })
})
