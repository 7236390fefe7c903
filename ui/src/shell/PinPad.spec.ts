import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import PinPad from './PinPad.vue'

const press = async (pad: ReturnType<typeof mount>, words: string) =>
  pad
    .findAll('button')
    .find((b) => b.text() === words)!
    .trigger('click')

describe('a PIN', () => {
  it('is tapped, taken back, said once, and never shown', async () => {
    const pad = mount(PinPad)
    for (const figure of ['2', '4', '6', '9', '←', '8']) await press(pad, figure)
    expect(pad.get('output').text()).toBe('●●●●')
    await press(pad, 'In')
    expect(pad.emitted('said')).toEqual([['2468']])
    expect(pad.get('output').text()).toBe('–')
  })

  it('is entered with a figure in the keyboard’s focus too', async () => {
    const pad = mount(PinPad)
    for (const figure of ['1', '2', '3', '4']) await press(pad, figure)
    await pad.findAll('.figure')[4]!.trigger('keydown', { key: 'Enter' })
    expect(pad.emitted('said')).toBeUndefined()
  })

  it('is typed too, and has at least four figures and at most eight', async () => {
    const pad = mount(PinPad)
    const field = pad.get('[role=group]')
    for (const key of ['1', 'x', '2', '3', 'Enter']) await field.trigger('keydown', { key })
    expect(pad.emitted('said')).toBeUndefined()
    for (const key of ['4', '5', '6', '7', '8', '9', 'Enter']) await field.trigger('keydown', { key })
    expect(pad.emitted('said')).toEqual([['12345678']])
  })
})
