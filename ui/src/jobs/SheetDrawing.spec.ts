import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import RankedMachines from './RankedMachines.vue'
import SheetDrawing from './SheetDrawing.vue'

const pieces = [
  { label: 'tail', width: 400, height: 1500, count: 3, turning: 'ALONG', artwork: 9 },
] as Schemas['PiecesJson'][]
const placed = (sheet: number) => ({ piece: 0, sheet, x: 0, y: 0, width: 400, height: 1500, turned: false })
const laidOut = (sheets: number): Schemas['LaidOutJson'] => ({
  width: 2000,
  length: 2870,
  edge: 50,
  sheets,
  free: 0.5,
  left: 100,
  placed: Array.from({ length: sheets }, (_, i) => placed(i)),
})

describe('how pieces lie', () => {
  it('shows the first sheet and the last, each piece with its picture', () => {
    const drawing = mount(SheetDrawing, { props: { laidOut: laidOut(4), pieces } })
    expect(drawing.findAll('svg')).toHaveLength(2)
    expect(drawing.text()).toContain('the first of 3 that are full')
    expect(drawing.find('image').attributes('href')).toBe('/api/artworks/9/small')
    expect(drawing.find('svg').attributes('aria-label')).toBe('4 pieces on 4 sheets')
  })

  it('lays film on its side', () => {
    const film = { ...laidOut(1), film: { printed: 2870, through: 7370, cut: 3370, sheets: 1, words: 'Cut it.' } }
    const drawing = mount(SheetDrawing, { props: { laidOut: film, pieces } })
    expect(drawing.find('svg').attributes('viewBox')).toBe('0 0 2970 2100')
    expect(drawing.text()).toContain('left to right')
  })
})

describe('which machine prints it', () => {
  const machine = (over: Partial<Schemas['RankedJson']>): Schemas['RankedJson'] => ({
    machine: 3,
    name: 'Sorrel',
    can: true,
    ready: '2026-12-01T10:00:00Z',
    inTime: true,
    why: ['Looked at today.'],
    helps: [],
    ...over,
  })

  it('offers the best first, and a late one only with its lateness', async () => {
    const list = mount(RankedMachines, {
      props: { machines: [machine({}), machine({ machine: 4, name: 'Bramble', inTime: false })], zone: 'UTC' },
    })
    const buttons = list.findAll('button')
    expect(buttons.map((b) => b.text())).toEqual(['On Sorrel', 'On Bramble, although late'])
    expect(buttons[0]!.classes()).toContain('btn-primary')
    await buttons[1]!.trigger('click')
    expect(list.emitted('choose')).toEqual([[4, true]])
  })

  it('tells of the others what would help', () => {
    const never = machine({ can: false, inTime: false, helps: ['Wake it.'] })
    delete never.ready
    const list = mount(RankedMachines, { props: { machines: [never], zone: 'UTC' } })
    expect(list.find('button').exists()).toBe(false)
    expect(list.text()).toContain('not for this')
    expect(list.text()).toContain('What would help: Wake it.')
  })
})
