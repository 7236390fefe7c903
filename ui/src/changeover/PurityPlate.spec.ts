import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import ChannelFigures from './ChannelFigures.vue'
import PurityPlate from './PurityPlate.vue'

const pounds = (minor: number) => ({ minor, currency: 'GBP' })
const points: Schemas['TradeOff'][] = [
  { purity: 0.02, rinses: '1 × 3 mL', liquid: 12, rinseCount: 1, minutes: 150, cost: pounds(8000) },
  { purity: 0.005, rinses: '1 × 6.5 mL, then 1 × 4 mL', liquid: 42, rinseCount: 2, minutes: 155, cost: pounds(8372) },
  {
    purity: 0.0005,
    problem: 'cannot be reached: no rinse reaches the head',
    rinses: '',
    liquid: 0,
    rinseCount: 0,
    minutes: 0,
  },
]
const plate = (purity: number | undefined) =>
  mount(PurityPlate, { props: { points, current: 0.005, unit: 'mL', modelValue: purity } })

describe('how clean?', () => {
  it('shows fluid, time and cost against the usual', () => {
    expect(plate(undefined).text()).toMatch(/0\.5 % old ink left[\s\S]*42 mL[\s\S]*the same[\s\S]*the same/)
    expect(plate(0.02).text()).toMatch(/12 mL[\s\S]*− 5 min[\s\S]*− £3\.72/)
  })

  it('says what is in the way instead of a number', () => {
    expect(plate(0.0005).text()).toContain('no rinse reaches the head')
  })

  it('moves to the mark it is slid to', async () => {
    const slider = plate(undefined)
    await slider.get('input').setValue(0)
    expect(slider.emitted('update:modelValue')).toEqual([[0.02]])
  })
})

describe('what each channel needs', () => {
  const channel = {
    before: 'K',
    code: 'K',
    doing: 'FILL',
    rests: 0,
    needed: 127,
    colour: 'black',
    holds: 55,
    pulls: '49',
    rinses: '1 × 6.5',
    chaser: 11,
    charge: 72,
    sheets: 1,
    bottles: [100, 50],
    leftOver: 22.2,
    residue: 0.00494,
  } as unknown as Schemas['ChannelPlanJson']

  it('has units on every figure', () => {
    const row = mount(ChannelFigures, { props: { channels: [channel], unit: 'mL', drains: true } })
      .get('tbody tr')
      .text()
    expect(row).toContain('55 mL')
    expect(row).toContain('100 + 50 mL')
    expect(row).toContain('0.494 %')
  })

  it('leaves out what a first fill has not', () => {
    const table = mount(ChannelFigures, { props: { channels: [channel], unit: 'fl oz', drains: false } }).text()
    expect(table).not.toContain('pull')
    expect(table).toContain('2.43 fl oz')
  })
})
