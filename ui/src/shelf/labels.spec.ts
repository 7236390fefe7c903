import { describe, expect, it } from 'vitest'
import { sheetsOf } from './labels'

const PLACES = 24

const labels = (count: number) => Array.from({ length: count }, (_, i) => ({ code: `L${i}`, title: 'of Bramble' }))

describe('a sheet of labels', () => {
  it('is filled from its first place', () => {
    const [sheet] = sheetsOf(labels(2), 0, PLACES)
    expect(sheet).toHaveLength(PLACES)
    expect(sheet?.slice(0, 3)).toEqual([
      { code: 'L0', title: 'of Bramble' },
      { code: 'L1', title: 'of Bramble' },
      'free',
    ])
  })

  it('that was begun is gone on with, and turns over', () => {
    const sheets = sheetsOf(labels(3), PLACES - 2, PLACES)
    expect(sheets).toHaveLength(2)
    expect(sheets[0]?.slice(-3)).toEqual([
      'gone',
      { code: 'L0', title: 'of Bramble' },
      { code: 'L1', title: 'of Bramble' },
    ])
    expect(sheets[1]?.slice(0, 2)).toEqual([{ code: 'L2', title: 'of Bramble' }, 'free'])
  })

  it('is shown though nothing is chosen', () => expect(sheetsOf([], 0, PLACES)).toEqual([Array(PLACES).fill('free')]))
})
