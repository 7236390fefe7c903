import { describe, expect, it } from 'vitest'
import { nextOf, remaining } from './next'
import type { Job } from './useJob'

const job = (over: Partial<Job>): Job =>
  ({
    id: 7,
    state: 'TAKEN',
    printed: 0,
    faults: [],
    sheets: [],
    steps: [],
    laidOut: { sheets: 3 },
    ...over,
  }) as unknown as Job
const sorrel = {
  id: 3,
  name: 'Sorrel',
  check: 'GOOD_TODAY',
  checkSays: 'looked at today, and good for this',
} as Job['on']
const lasts = (yes: boolean) => ({ channels: [{ channel: 'M', lasts: yes }] }) as unknown as NonNullable<Job['takes']>

describe('the next thing to do with a job', () => {
  it('is a machine, a look at it, ink, and then the print', () => {
    expect(nextOf(job({}))?.words).toBe('Choose the machine')
    expect(nextOf(job({ on: { ...sorrel!, check: 'GOOD_BEFORE', checkSays: 'not today' } }))?.words).toBe(
      'Look at Sorrel: not today',
    )
    expect(nextOf(job({ on: sorrel!, takes: lasts(false) }))?.words).toBe('Top up M')
    expect(nextOf(job({ on: sorrel!, takes: lasts(true) }))).toEqual({ part: 'print', words: 'Print it on Sorrel' })
  })

  it('is the first step at the press that is not done, then what came of it', () => {
    const steps = [
      { id: 'CUT', title: 'Cut it apart', done: true },
      { id: 'CURE', title: 'Cure the powder', done: false },
    ] as Job['steps']
    expect(nextOf(job({ state: 'PRINTED', on: sorrel!, steps }))).toEqual({ part: 'press', words: 'Cure the powder' })
    expect(nextOf(job({ state: 'PRINTED', on: sorrel! }))?.part).toBe('came')
    expect(nextOf(job({ state: 'CLOSED' }))).toBeUndefined()
  })

  it('prints what is neither out nor on its way, never a test twice for real', () => {
    const sheet = (first: number, sheets: number, over: object) =>
      ({ id: first, first, sheets, test: false, out: false, ...over }) as Job['sheets'][number]
    expect(remaining(job({}))).toEqual({ first: 0, count: 3 })
    expect(remaining(job({ sheets: [sheet(0, 1, { out: true })] }))).toEqual({ first: 1, count: 2 })
    expect(remaining(job({ sheets: [sheet(0, 3, { state: 'PRINTING' })] })).count).toBe(0)
    expect(remaining(job({ sheets: [sheet(0, 3, { state: 'FAILED' })] }))).toEqual({ first: 0, count: 3 })
    expect(remaining(job({ sheets: [sheet(0, 1, { out: true, test: true })] }))).toEqual({ first: 0, count: 3 })
  })
})
