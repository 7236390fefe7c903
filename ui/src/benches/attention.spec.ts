import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import CombEntry from './CombEntry.vue'
import { actionFor, idle, stateOf, wants } from './attention'

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

  it.each([
    [undefined, ''],
    [0, ''],
    [1, ''],
    [2, ' · idle for 2 days'],
    [12, ' · idle for 12 days'],
  ])('says how long it stood still once that is worth saying: %s days', (idleDays, words) => {
    expect(idle(machine('NOTHING', { idleDays }))).toBe(words)
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

  it('opens a part of it, and takes out a stroke or puts it back', async () => {
    const whole = comb([])
    expect(whole.findAll('.stroke')).toHaveLength(0)
    await whole.findAll('.part')[1]!.trigger('click')
    expect(whole.findAll('.stroke').map((s) => s.text())).toEqual([
      '10',
      '11',
      '12',
      '13',
      '14',
      '15',
      '16',
      '17',
      '18',
      '19',
    ])
    await whole.findAll('.stroke')[2]!.trigger('click')
    expect(whole.emitted('update:modelValue')).toEqual([[[11]]])
    const gone = comb([11, 40])
    expect(gone.text()).toContain('2 of 59 missing')
    expect(gone.findAll('.part')[1]!.attributes('aria-label')).toBe('M strokes 10 to 19: 1 of 10 missing')
    await gone.findAll('.part')[1]!.trigger('click')
    await gone.findAll('.stroke')[2]!.trigger('click')
    expect(gone.emitted('update:modelValue')).toEqual([[[40]]])
  })

  it('takes a whole part at once, and every stroke belongs to one part', async () => {
    const shown = comb([40])
    await shown.findAll('.part')[0]!.trigger('click')
    await shown.get('.lens .btn').trigger('click')
    expect(shown.emitted('update:modelValue')).toEqual([[[0, 1, 2, 3, 4, 5, 6, 7, 8, 40]]])
    const all: string[] = []
    for (const part of shown.findAll('.part')) {
      if (part.attributes('aria-expanded') !== 'true') await part.trigger('click')
      all.push(...shown.findAll('.stroke').map((s) => s.text()))
    }
    expect(all).toEqual(Array.from({ length: 59 }, (_, i) => String(i + 1)))
  })
})
