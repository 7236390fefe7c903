import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { asPlanned, endsAsPlanned } from './asPlanned'

function step(entries: Record<string, string> = {}): Pick<Schemas['StepJson'], 'ask' | 'entries' | 'hold'> {
  return {
    entries,
    ask: {
      kind: 'Grid',
      items: [],
      channels: ['K', 'C'],
      columns: [
        { label: 'code on the bottle', kind: 'CODE', expected: [] },
        { label: 'first load', kind: 'VOLUME', expected: [42.5, 0] },
        { label: 'then only air', kind: 'AIR', expected: [] },
      ],
      nozzles: [],
      expected: 0,
      words: '',
      answers: [],
    },
  }
}

describe('all as planned', () => {
  it('enters every volume and tick that is planned, and no code', () => {
    expect(asPlanned(step())).toEqual({ 'K/1': '42.5', 'K/2': 'yes', 'C/2': 'yes' })
  })

  it('leaves alone what was entered otherwise', () => {
    expect(asPlanned(step({ 'K/1': '40' }))).toEqual({ 'K/2': 'yes', 'C/2': 'yes' })
  })

  it('has nothing left once all is entered', () => {
    expect(asPlanned(step({ 'K/1': '40', 'K/2': 'yes', 'C/2': 'yes' }))).toEqual({})
  })
})

function ticks(words = '', hold?: string): Pick<Schemas['StepJson'], 'ask' | 'entries' | 'hold'> {
  const ask = { ...step().ask, kind: 'Ticks', items: ['face wiped', 'level'], columns: [], channels: [], words }
  return { entries: {}, hold, ask }
}

describe('one tap for a step that went as planned', () => {
  it('ends a step whose codes are read', () => {
    expect(endsAsPlanned(step())).toBe(false)
    expect(endsAsPlanned(step({ 'K/0': '7', 'C/0': '8' }))).toBe(true)
  })

  it('ends a list of looks, but none before a hold and none that has an order', () => {
    expect(asPlanned(ticks())).toEqual({ 'item/0': 'yes', 'item/1': 'yes' })
    expect(endsAsPlanned(ticks())).toBe(true)
    expect(endsAsPlanned(ticks('', 'Nobody goes in before.'))).toBe(false)
    expect(endsAsPlanned(ticks('One after the other:'))).toBe(false)
  })
})
