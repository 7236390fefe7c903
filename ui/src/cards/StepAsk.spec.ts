import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import StepAsk from './StepAsk.vue'

function ask(kind: string, more: object, entries: Record<string, string> = {}) {
  const step = {
    id: 's',
    entries,
    notes: [],
    ask: { kind, channels: [], columns: [], items: [], nozzles: [], expected: 0, words: '', ...more },
  } as unknown as Schemas['StepJson']
  return mount(StepAsk, {
    props: {
      step,
      lots: [],
      bottles: [],
      syringes: {},
      machine: 4,
      unit: 'mL',
      locked: false,
      lastPicks: { black: 4 },
    },
    global: { stubs: { RouterLink: true } },
  })
}

describe('what a step asks', () => {
  it('lets only the next of a row be ticked', async () => {
    const shown = ask('InOrder', { channels: ['C', 'M', 'K'], words: 'off' }, { C: 'yes' })
    const buttons = shown.findAll('.tick')
    expect(buttons.map((b) => b.attributes('disabled') !== undefined)).toEqual([false, false, true])
    await buttons[1]?.trigger('click')
    expect(shown.emitted('enter')).toEqual([['M', 'yes']])
  })

  it('shows the square that was best last time, and takes another', async () => {
    const shown = ask('Picks', { items: ['black', 'colour'], expected: 9, words: 'no gap' })
    expect(shown.text()).toContain('last time 4')
    await shown.findAll('.pattern')[1]?.findAll('.square')[6]?.trigger('click')
    expect(shown.emitted('enter')).toEqual([['pick/1', '7']])
  })

  it('counts up and down, never below nothing', async () => {
    const shown = ask('Count', { words: 'screws', expected: 7 }, { count: '0' })
    await shown.get('[aria-label$="one less"]').trigger('click')
    await shown.get('[aria-label$="one more"]').trigger('click')
    expect(shown.emitted('enter')).toEqual([
      ['count', '0'],
      ['count', '1'],
    ])
  })

  it('counts each part for itself', async () => {
    const shown = ask('Tally', { items: ['screws', 'springs'], words: 'Counted out' }, { 'part/1': '2' })
    await shown.get('[aria-label="springs: one more"]').trigger('click')
    expect(shown.emitted('enter')).toEqual([['part/1', '3']])
  })

  it('takes an answer for each of several things', async () => {
    const shown = ask(
      'Each',
      { items: ['C', 'M'], answers: ['clear', 'crusted'], words: 'The point is' },
      { 'each/0': 'clear' },
    )
    await shown.findAll('.of')[1]?.findAll('.tick')[1]?.trigger('click')
    await shown.findAll('.of')[0]?.findAll('.tick')[0]?.trigger('click')
    expect(shown.emitted('enter')).toEqual([
      ['each/1', 'crusted'],
      ['each/0', ''],
    ])
  })

  it('ticks in order where the order matters', () => {
    const shown = ask('Ticks', { items: ['front left', 'back right'], words: 'One after the other:' }, {})
    expect(shown.findAll('.tick').map((b) => b.attributes('disabled') !== undefined)).toEqual([false, true])
  })

  it('takes one answer of several, and takes it back', async () => {
    const shown = ask('Choice', { items: ['cover', 'sleeves'], words: 'How?' }, { choice: 'cover' })
    await shown.findAll('.tick')[0]?.trigger('click')
    await shown.findAll('.tick')[1]?.trigger('click')
    expect(shown.emitted('enter')).toEqual([
      ['choice', ''],
      ['choice', 'sleeves'],
    ])
  })
})
