import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import CombEntry from './CombEntry.vue'
import { actionFor, stateOf, wants } from './attention'

type Kind = Schemas['Attention']['kind']

function machine(kind: Kind, more: Partial<Schemas['PlateJson']> = {}): Schemas['PlateJson'] {
  return {
    id: 4,
    channels: [],
    attention: { kind, words: '', why: '', urgency: 1 },
    ...more,
  } as unknown as Schemas['PlateJson']
}
const card = { id: 9, title: '', done: 3, steps: 30 }
const gap = [{ code: 'C', missing: [3] }] as unknown as Schemas['PlateJson']['channels']

describe('a machine on the bench', () => {
  it.each([
    [machine('NOTHING'), 'fit', '/machines/4'],
    [machine('PLAN'), 'never inked', '/changeover?machine=4'],
    [machine('TOP_UP'), 'ink is low', '/machines/4/ink#levels'],
    [machine('PAD'), 'pad nearly full', '/machines/4/ink#pad'],
    [machine('OWED', { owedNow: 2 }), '2 owed', '/machines/4/upkeep#owed'],
    [machine('PARKED'), 'at rest', '/changeover?machine=4'],
    [machine('CHECK'), 'not looked at', '/machines/4/checks#check'],
    [machine('CHECK', { channels: gap }), 'gaps', '/machines/4/checks#check'],
    [machine('CARD', { card }), 'card 3/30', '/cards/9'],
    [machine('TAKE_OFF_WAIT', { card }), 'wait is over', '/cards/9'],
    [machine('TAKE_OFF_WAIT'), 'wait is over', '/machines/4/checks#check'],
    [machine('TAKE_OFF_WAIT', { caseId: 5 }), 'ill, wait is over', '/clinic/5'],
  ])('says its state in a word and leads to its next action', (plate, word, to) => {
    expect(stateOf(plate).word).toBe(word)
    expect(actionFor(plate).to).toBe(to)
  })

  it('wants nothing only when nothing is to be done', () => {
    expect(wants(machine('NOTHING'))).toBe(false)
    expect(wants(machine('NOTHING', { card }))).toBe(true)
    expect(wants(machine('PAD'))).toBe(true)
  })
})

describe('a comb to be tapped', () => {
  const comb = (missing: number[] | undefined) =>
    mount(CombEntry, { props: { code: 'M', nozzles: 59, modelValue: missing } })

  it('is not looked at until somebody says so', async () => {
    const shown = comb(undefined)
    expect(shown.text()).toContain('not looked at')
    await shown.findAll('button').at(-1)?.trigger('click')
    expect(shown.emitted('update:modelValue')).toEqual([[[]]])
  })

  it('takes out the nozzles of a tooth, and puts them back', async () => {
    const whole = comb([])
    await whole.findAll('.tooth')[2]?.trigger('click')
    const [[taken]] = whole.emitted('update:modelValue') as [[number[]]]
    expect(taken.length).toBeGreaterThan(0)
    const gone = comb(taken)
    expect(gone.text()).toContain(`${taken.length} of 59 missing`)
    await gone.findAll('.tooth')[2]?.trigger('click')
    expect(gone.emitted('update:modelValue')).toEqual([[[]]])
  })
})
