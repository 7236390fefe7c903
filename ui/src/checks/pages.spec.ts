import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { differences } from './pages'

const page = (missing: number[], more: object = {}) =>
  ({ looks: [{ channel: 'C', strokes: 40, missing, ...more }] }) as unknown as Schemas['ReadingJson']

describe('two pages side by side', () => {
  it.each([
    [[], [], 'whole, as before'],
    [[3], [3], 'the same gaps'],
    [[3, 4], [4], '1 came back'],
    [[3, 4], [], 'all came back'],
    [[3], [3, 9], '1 new'],
    [[3, 4], [8], '2 came back, 1 new: gaps that move'],
  ])('from %j to %j it is: %s', (before, after, words) => {
    expect(differences(page(before), page(after))[0]?.words).toBe(words)
  })

  it('compares only what both show', () => {
    expect(differences(page([1]), page([], { unreadable: 'too dark' }))).toEqual([])
    expect(differences(page([1], { channel: 'M' }), page([]))).toEqual([])
    expect(differences(page([1], { strokes: 20 }), page([]))).toEqual([])
  })
})
