import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import GridAsk from './GridAsk.vue'

function step(entries: Record<string, string>): Schemas['StepJson'] {
  return {
    id: 'pull',
    entries,
    ask: {
      kind: 'Grid',
      channels: ['K', 'C'],
      columns: [
        { label: 'first load', kind: 'VOLUME', expected: [60, 42] },
        { label: 'second load', kind: 'VOLUME', expected: [13, 0] },
        { label: 'then only air', kind: 'AIR', expected: [] },
      ],
      items: [],
      nozzles: [],
      expected: 0,
      words: '',
    },
  } as unknown as Schemas['StepJson']
}
const grid = (entries: Record<string, string>, locked = false) =>
  mount(GridAsk, { props: { step: step(entries), unit: 'mL' as const, bottles: [], syringes: {}, locked } })

describe('channels by pulls', () => {
  it('shows what is planned with a question mark until it is tapped', () => {
    const shown = grid({ 'K/0': '58' })
    expect(shown.get('[data-cell="K/0"]').text()).toBe('58')
    expect(shown.get('[data-cell="K/1"]').text()).toBe('13?')
  })

  it('points at one next cell', () => {
    expect(
      grid({ 'K/0': '60' })
        .findAll('.now')
        .map((c) => c.attributes('data-cell')),
    ).toEqual(['K/1'])
    expect(grid({}, true).findAll('.now')).toHaveLength(0)
  })

  it('has no cell where nothing is planned', () => {
    expect(grid({}).find('[data-cell="C/1"]').exists()).toBe(false)
  })

  it('adds up what was entered against what was planned', () => {
    expect(grid({ 'K/0': '60', 'K/1': '12.5' }).text()).toContain('73 / 73 mL')
  })

  it('says of a load that air came with it, and counts its ink', () => {
    const shown = grid({ 'K/0': '58 air', 'K/1': '10' })
    expect(shown.get('[data-cell="K/0"]').text()).toBe('58 + air')
    expect(shown.text()).toContain('68 / 73 mL')
  })

  it('ticks with one tap, and takes it back with another', async () => {
    const open = grid({})
    await open.get('[data-cell="C/2"]').trigger('click')
    expect(open.emitted('enter')).toEqual([['C/2', 'yes']])
    const ticked = grid({ 'C/2': 'yes' })
    await ticked.get('[data-cell="C/2"]').trigger('click')
    expect(ticked.emitted('enter')).toEqual([['C/2', '']])
  })

  it('says every cell to those who do not see it', () => {
    expect(grid({ 'K/0': '60' }).get('[data-cell="K/0"]').attributes('aria-label')).toBe('K, first load: 60')
  })

  it('cannot be tapped when the step is done', () => {
    expect(grid({}, true).get('[data-cell="K/0"]').attributes('disabled')).toBeDefined()
  })

  it('offers the syringes that may draw a channel, and shows which was taken', async () => {
    const asked = step({ 'C/0': '12' })
    asked.ask.channels = ['C', 'M']
    asked.ask.columns = [{ label: 'its syringe', kind: 'TOOL', expected: [] }]
    const syringes = { C: [{ id: 12, label: 'Syringe no. 12', why: 'its own, rinsed' }] }
    const shown = mount(GridAsk, {
      props: { step: asked, unit: 'mL' as const, bottles: [], syringes, locked: false },
      attachTo: document.body,
    })
    expect(shown.get('[data-cell="C/0"]').text()).toBe('no. 12')
    await shown.get('[data-cell="M/0"]').trigger('click')
    const offered = [...document.querySelectorAll<HTMLElement>('.modal .tools button')]
    expect(offered.map((b) => b.textContent)).toEqual([expect.stringContaining('A new one')])
    offered[0]?.click()
    expect(shown.emitted('enter')).toEqual([['M/0', 'yes']])
    shown.unmount()
  })

  it('says which number a new one got, once the step is done', () => {
    const asked = step({ 'C/0': 'yes' })
    asked.ask.channels = ['C']
    asked.ask.columns = [{ label: 'its syringe', kind: 'TOOL', expected: [] }]
    const props = { step: asked, unit: 'mL' as const, bottles: [], syringes: {}, locked: true }
    expect(mount(GridAsk, { props }).get('[data-cell="C/0"]').text()).toBe('new')
    const done = mount(GridAsk, { props: { ...props, cameIn: { C: 'Syringe no. 7' } } })
    expect(done.get('[data-cell="C/0"]').text()).toBe('no. 7')
  })

  it('says how the bottle opens whose code was read', () => {
    const read = step({ 'K/0': '7' })
    read.ask.columns = [{ label: 'code on the bottle', kind: 'CODE', expected: [] }]
    const bottles = [
      { id: 7, channel: 'K', label: 'K-7', left: 50, opened: false, how: 'Seat it on its own tank. Never squeeze.' },
    ]
    const shown = mount(GridAsk, { props: { step: read, unit: 'mL' as const, bottles, syringes: {}, locked: false } })
    expect(shown.text()).toContain('Never squeeze')
  })
})
