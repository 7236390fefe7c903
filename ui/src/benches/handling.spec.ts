import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { draftOf, taughtBy } from './handling'

const handling: Schemas['HandlingJson'] = {
  version: 3,
  freeing: 'CORD_IN_PRINT',
  freeings: [],
  panel: 'LAMPS',
  panels: [],
  ways: [
    { act: 'CHARGE', label: 'initial charge', say: 'Hold the sheet key.', seconds: 5, own: false },
    { act: 'CLEANING', label: 'cleaning', say: 'In the driver.', own: false },
  ],
  screws: [{ which: 'head cover', count: 5 }],
  wasteLines: 'NONE',
  lines: [],
  kit: {
    ribbon: 'JOINED',
    chamber: 'NO_MARK',
    bracket: 'STICKS',
    constantHead: false,
    valve: true,
    plugs: true,
    sponge: false,
    bunged: false,
    first: 30,
    second: 20,
    tilt: 30,
  },
  kitParts: { ribbons: [], chambers: [], brackets: [] },
  kits: [],
  trays: ['REAR'],
  allTrays: [],
  taught: { ways: { CHECK: { say: 'Its second key.', seconds: 3 } } },
}

describe('teaching a machine', () => {
  it('keeps what was taught before, and adds only what is otherwise', () => {
    const draft = draftOf(handling)
    draft.freeing = 'LOCK_GEAR'
    expect(taughtBy(draft, handling)).toEqual({
      freeing: 'LOCK_GEAR',
      panel: undefined,
      ways: { CHECK: { say: 'Its second key.', seconds: 3 } },
      screws: undefined,
      wasteLines: undefined,
      kit: undefined,
    })
  })

  it('teaches where paper goes in, and nothing where that is as before', () => {
    const draft = draftOf(handling)
    expect(taughtBy(draft, handling).trays).toBeUndefined()
    draft.trays = ['FRONT', 'REAR']
    expect(taughtBy(draft, handling).trays).toEqual(['FRONT', 'REAR'])
  })

  it('teaches one key, held for so long', () => {
    const draft = draftOf(handling)
    draft.ways[0]!.seconds = '8'
    expect(taughtBy(draft, handling).ways).toEqual({
      CHECK: { say: 'Its second key.', seconds: 3 },
      CHARGE: { say: 'Hold the sheet key.', seconds: 8 },
    })
  })

  it('sends a number that is none as none, so that the server refuses it and nothing is made up', () => {
    const draft = draftOf(handling)
    draft.screws[0]!.count = 'five'
    expect(taughtBy(draft, handling).screws?.[0]?.count).toBeNaN()
  })

  it('teaches a kit whose tanks have no priming chamber, and so no doses', () => {
    const draft = draftOf(handling)
    draft.kit.chamber = 'NONE'
    draft.kit.constantHead = true
    expect(taughtBy(draft, handling).kit).toEqual({
      ...handling.kit,
      chamber: 'NONE',
      constantHead: true,
      first: 0,
      second: 0,
      tilt: 0,
    })
  })

  it('takes a dose that is typed with a comma', () => {
    const draft = draftOf(handling)
    draft.kit.first = '17,5'
    expect(taughtBy(draft, handling).kit?.first).toBe(17.5)
  })

  it('says nothing of what is as it was', () => {
    expect(taughtBy(draftOf(handling), handling)).toEqual({
      ...handling.taught,
      freeing: undefined,
      panel: undefined,
      screws: undefined,
      wasteLines: undefined,
      kit: undefined,
    })
  })
})
