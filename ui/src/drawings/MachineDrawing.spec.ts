import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import MachineDrawing from './MachineDrawing.vue'

const CMYK = ['K', 'C', 'M', 'Y']

function drawn(architecture: string, more: Partial<{ channels: string[]; sheet: string; screen: boolean }> = {}) {
  return mount(MachineDrawing, { props: { architecture, channels: CMYK, sheet: 'A4', screen: false, ...more } })
}

describe('the drawing of a machine', () => {
  it('has a vessel with its own hatch for every channel', () => {
    const film = drawn('film machine', { channels: [...CMYK, 'W1', 'W2'], sheet: 'A3+' })
    expect(film.findAll('.glass')).toHaveLength(6)
    expect(film.findAll('.glass + rect').map((r) => r.attributes('fill'))).toEqual(
      ['K', 'C', 'M', 'Y', 'W', 'W'].map((h) => `url(#hatch-${h})`),
    )
  })

  it('keeps every part inside, however many channels there are', () => {
    for (const architecture of ['tank machine', 'cartridge machine', 'machine with bags inside', 'film machine'])
      for (const channels of [CMYK, [...CMYK, 'LC', 'LM'], [...CMYK, 'W1', 'W2', 'W3', 'W4']])
        for (const glass of drawn(architecture, { channels, sheet: 'A3+' }).findAll('.glass')) {
          const x = Number(glass.attributes('x'))
          expect(x, architecture).toBeGreaterThanOrEqual(0)
          expect(x + Number(glass.attributes('width')), architecture).toBeLessThanOrEqual(120)
        }
  })

  it('tells the kinds apart, the width, the screen and what comes out', () => {
    const all = [
      drawn('tank machine'),
      drawn('cartridge machine'),
      drawn('bulk-fed machine'),
      drawn('machine with bags inside'),
      drawn('film machine'),
      drawn('film machine', { sheet: 'roll, 33 cm' }),
      drawn('film machine', { sheet: 'garment, 40 cm' }),
      drawn('snap-in head machine'),
      drawn('tank machine', { sheet: 'A3+' }),
      drawn('tank machine', { screen: true }),
    ].map((d) => d.html())
    expect(new Set(all).size).toBe(all.length)
  })

  it('is no words to a screen reader: those stand beside it', () => {
    expect(drawn('tank machine').attributes('aria-hidden')).toBe('true')
  })
})
