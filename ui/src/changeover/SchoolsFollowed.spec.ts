import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import SchoolsFollowed from './SchoolsFollowed.vue'

type Otherwise = Schemas['OtherwiseJson']

function shown(other: Partial<Otherwise>): string {
  const school = {
    id: 'RINSE_WITH',
    question: 'Rinse with fluid, or new ink?',
    position: 'Fluid',
    reason: 'cheapest',
    others: [{ id: 'ink', position: 'New ink alone', reason: '', steps: 0, liquid: 0, minutes: 0, ...other }],
  } as unknown as Schemas['FollowedJson']
  return mount(SchoolsFollowed, { props: { schools: [school] } })
    .get('.other')
    .text()
}

describe('what the other school would have done', () => {
  it.each([
    [{ steps: 1 }, '+1 step'],
    [{ steps: -2 }, '−2 steps'],
    [{ liquid: -118.4 }, '−118 mL'],
    [{ minutes: 72 }, '+1 h 12 min'],
    [{ cost: { minor: 565, currency: 'GBP' } }, '+£5.65'],
    [{ steps: 5, minutes: -30 }, '+5 steps, −30 min'],
  ])('%o is said as %s', (other, words) => {
    expect(shown(other as Partial<Otherwise>)).toContain(words)
  })

  it('says so where only the words differ', () => {
    expect(shown({})).toContain('other words, the same figures')
  })

  it('says why there would be no plan at all', () => {
    expect(shown({ impossible: 'No rinse reaches the head.' })).toContain('not here: No rinse reaches the head.')
  })
})
