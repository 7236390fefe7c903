import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import PageSeen from './PageSeen.vue'

const page = () => mount(PageSeen, { props: { channels: ['C', 'W1'], busy: false } })
const press = (wrapper: ReturnType<typeof page>, row: number, words: string) =>
  wrapper
    .findAll('.row')
    [row]!.findAll('.pick')
    .find((b) => b.text() === words)!
    .trigger('click')

describe('what a page showed', () => {
  it('is even until somebody says otherwise', async () => {
    const wrapper = page()
    expect(wrapper.find('.wide').text()).toBe('All even')
    await wrapper.find('.wide').trigger('click')
    expect(wrapper.emitted('seen')![0]![0]).toEqual([
      { channel: 'C', fade: 0.03, band: false, off: false },
      { channel: 'W1', fade: 0.03, band: false, off: false },
    ])
  })

  it('is told channel by channel', async () => {
    const wrapper = page()
    await press(wrapper, 1, 'fades')
    await press(wrapper, 0, 'bare band')
    await press(wrapper, 0, 'wrong colour all down')
    await press(wrapper, 1, 'wrong colour at the top edge')
    expect(wrapper.find('.wide').text()).toBe('That is what it showed')
    await wrapper.find('.wide').trigger('click')
    expect(wrapper.emitted('seen')![0]![0]).toEqual([
      { channel: 'C', fade: 0.03, band: true, off: true, clears: false },
      { channel: 'W1', fade: 0.6, band: false, off: true, clears: true },
    ])
  })
})
