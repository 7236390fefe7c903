import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import SimpleThings from './SimpleThings.vue'

const channels = ['K', 'C'].map((channel) => ({
  channel,
  strokes: 90,
  tolerated: 2,
  gaps: 0,
  failing: false,
  level: 40,
  capacity: 70,
}))

const simple = [
  { label: 'Level', look: 'ink stands in every tank', known: 'read this week' },
  { label: 'Vents', look: 'open, holes not stuck over' },
]

describe('the simple things', () => {
  it('ask only for what nothing proves', () => {
    const wrapper = mount(SimpleThings, { props: { channels, simple, busy: false } })
    expect(wrapper.find('.looks').text()).toContain('Vents')
    expect(wrapper.find('.looks').text()).not.toContain('Level')
    expect(wrapper.text()).toContain('Known already: Level read this week.')
  })

  it('are all well with one tap', async () => {
    const wrapper = mount(SimpleThings, { props: { channels, simple, busy: false } })
    expect(wrapper.text()).toContain('C 40 of 70 mL')
    await wrapper.find('.wide').trigger('click')
    expect(wrapper.emitted('found')![0]).toEqual([[]])
  })

  it('name the channel where something was amiss', async () => {
    const wrapper = mount(SimpleThings, { props: { channels, simple, busy: false } })
    await wrapper.findAll('.code')[1]!.trigger('click')
    expect(wrapper.find('.wide').text()).toBe('Found, and put right')
    await wrapper.find('.wide').trigger('click')
    expect(wrapper.emitted('found')![0]).toEqual([['C']])
  })
})
