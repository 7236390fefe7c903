import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { everything, found, fromServer } from './finding'

const machine = (id: number, name: string) =>
  ({ id, name, family: 'sublimation', bench: 'Window bench', channels: [] }) as unknown as Schemas['PlateJson']

const all = everything({
  machines: [machine(1, 'Bramble'), machine(3, 'Sorrel'), machine(6, 'Thistle')],
  cases: [
    {
      id: 5,
      machine: 3,
      name: 'Sorrel',
      complaints: ['Gaps in the check'],
      next: '',
    } as unknown as Schemas['CaseLineJson'],
  ],
  schools: [{ school: 'DRAW_OR_PUSH', question: 'Draw or push?', positions: [] } as unknown as Schemas['SchoolJson']],
  jobs: [{ id: 7, what: 'rosettes', customer: 'Pony Club', says: 'printed' } as unknown as Schemas['JobLineJson']],
  lots: [{ id: 9, code: 'SUB-4471C', channel: 'C', fluid: false } as unknown as Schemas['Lot']],
})
const names = (letters: string) => found(all, letters).map((f) => f.name)

describe('finding by a few letters', () => {
  it('finds a machine by its first letters, itself before what can be done to it', () => {
    expect(found(all, 'bra')[0]).toMatchObject({ name: 'Bramble', to: '/machines/1' })
  })
  it('forgives a wrong letter', () => {
    expect(names('thisle')[0]).toBe('Thistle')
    expect(names('sorel')[0]).toBe('Sorrel')
  })
  it('finds an act by the machine and the word, in either order', () => {
    expect(found(all, 'bramble refill')[0]?.to).toBe('/machines/1/ink')
    expect(found(all, 'code sorrel')[0]?.to).toBe('/machines/3/papers')
  })
  it('finds cases, bottles and places', () => {
    expect(names('gaps')[0]).toBe('Sorrel: gaps in the check')
    expect(names('4471')[0]).toBe('SUB-4471C')
    expect(found(all, 'practice')[0]?.to).toBe('/practice')
    expect(found(all, 'rosettes pony')[0]?.to).toBe('/jobs/7')
  })
  it('finds a setting, and a question where good people differ', () => {
    expect(found(all, 'holidays')[0]?.to).toBe('/shop')
    expect(found(all, 'draw or push')[0]?.to).toBe('/shop/ways#DRAW_OR_PUSH')
  })
  it('leads from what happened to the card or the machine it happened to', () => {
    const entry = (more: object) => ({ words: 'Clover: drained C', ...more }) as unknown as Schemas['EntryJson']
    expect(fromServer([], [entry({ card: 4, machine: 2 }), entry({ machine: 2 }), entry({})]).map((f) => f.to)).toEqual(
      ['/cards/4', '/machines/2/past', '/log'],
    )
  })
  it('says what a machine’s message means before anybody goes anywhere', () => {
    const message = { wording: 'Service required', meaning: 'Its pad counter is full.', act: 'Change the pad.' }
    expect(fromServer([message as unknown as Schemas['Message']], [])[0]).toMatchObject({
      name: '“Service required”',
      what: 'Its pad counter is full. Change the pad.',
      to: '/clinic/messages?words=Service%20required',
    })
  })
  it('shows something before anything is typed, and nothing for nonsense', () => {
    expect(names('')).toContain('Bramble')
    expect(names('zzzqqqxxx')).toEqual([])
  })
})
