import { mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import LookedDays from './LookedDays.vue'

const days = [
  { day: '2026-11-21', open: true, looked: true },
  { day: '2026-11-22', open: false, looked: false },
  { day: '2026-11-23', open: true, looked: false },
]

it('counts the days on which somebody looked, and shows a missed one apart from a closed one', () => {
  const shown = mount(LookedDays, { props: { days, purgePages: 0, lookAgain: false } })
  expect(shown.get('h2').text()).toContain('1 of the last 3 days')
  expect(shown.findAll('li').map((d) => d.classes().join(' '))).toEqual(['yes', 'shut', ''])
  expect(shown.text()).toContain('2026-11-23 not looked')
})

it('asks for a check after three purge pages', () => {
  const shown = mount(LookedDays, { props: { days, purgePages: 3, lookAgain: true } })
  expect(shown.text()).toContain('3 purge pages since the last check')
})
