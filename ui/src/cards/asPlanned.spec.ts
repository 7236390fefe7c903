import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { asPlanned } from './asPlanned'

function step(entries: Record<string, string> = {}): Pick<Schemas['StepJson'], 'ask' | 'entries'> {
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
