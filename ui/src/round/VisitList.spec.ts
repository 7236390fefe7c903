import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import VisitList from './VisitList.vue'
import type { Round, Visit } from './useRound'

const visit = (over: Partial<Visit>): Visit =>
  ({
    key: 'r/1/wiper',
    errand: 'r/1/wiper',
    kind: 'routine',
    machine: 1,
    title: 'Wipe the wiper',
    say: 'Both sides.',
    skipping: 'It smears.',
    cautions: ['Unplug before hands go inside.'],
    person: 7,
    at: '2026-11-25T09:10:00Z',
    hands: 4,
    works: 0,
    rests: 0,
    thing: 'sink',
    gloves: 'FOOD',
    head: true,
    pinned: false,
    routine: 'wiper',
    why: ['Wren comes from Clover'],
    due: ['7 days of the clock'],
    ...over,
  }) as Visit
const round = {
  machines: [{ id: 1, name: 'Bramble', bench: 'Window bench' }],
  people: [{ id: 7, name: 'Wren', own: false }],
} as unknown as Round
const list = (visits: Visit[], next = visits[0]) =>
  mount(VisitList, {
    props: { round, visits, next, zone: 'UTC', busy: false },
    global: { stubs: { RouterLink: { props: ['to'], template: '<a :href="to"><slot /></a>' } } },
  })
const press = async (shown: ReturnType<typeof list>, words: string) =>
  shown
    .findAll('button')
    .find((b) => b.text() === words)
    ?.trigger('click')

describe('the walk', () => {
  it('says what, where, with what in hand, and why here', () => {
    const text = list([visit({})]).text()
    expect(text).toContain('09:10')
    expect(text).toContain('Bramble')
    expect(text).toContain('fresh gloves, food. In hand: the sink. Here because Wren comes from Clover.')
    expect(text).toContain('Unplug before hands go inside.')
    expect(text).toContain('If it is left out: It smears.')
  })

  it('is begun, and ticked with what it really took', async () => {
    const begun = visit({ begun: '2026-11-25T09:11:00Z' })
    const shown = list([begun])
    await shown.get('.took input').setValue('25')
    await press(shown, 'Done')
    expect(shown.emitted('tick')).toEqual([[begun, false, 25]])
    await press(list([visit({})]), 'Begin')
  })

  it('asks of a check what was seen', async () => {
    const check = visit({ routine: 'check' })
    const shown = list([check])
    expect(shown.get('a').attributes('href')).toBe('/machines/1/checks#check')
    await press(shown, 'All whole')
    expect(shown.emitted('tick')).toEqual([[check, true, undefined]])
    expect(shown.text()).not.toContain('Done')
  })

  it('sends a card to its card, and lets what comes later wait', () => {
    const card = list([visit({ key: 'c/3/pull', kind: 'card', card: 3 })])
    expect(card.get('a').attributes('href')).toBe('/cards/3')
    expect(list([visit({ head: false })]).text()).toContain('after the step before it')
  })
})
