import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import SlotsDrawn from './SlotsDrawn.vue'

function slot(before: string, code: string, doing = 'FILL') {
  return { before, code, doing, colour: code, from: 'sublimation', to: 'film' } as unknown as Schemas['ChannelPlanJson']
}
const slots = [slot('K', 'K'), slot('LC', 'W1'), slot('LM', 'LM', 'ON_FLUID'), slot('Y', 'Y', 'KEEP')]

function drawn(picked?: string, film = true, fixed = false) {
  return mount(SlotsDrawn, { props: { slots, film, fixed, picked } })
}

describe('slots from what they hold to what they will', () => {
  it('are said in words as well as drawn', () => {
    const labels = drawn()
      .findAll('button')
      .map((b) => b.attributes('aria-label'))
    expect(labels).toEqual([
      'Slot K: sublimation, then K',
      'Slot LC: sublimation, then W1',
      'Slot LM: sublimation, then on fluid',
      'Slot Y: sublimation, then stays',
    ])
  })

  it('tell which one was picked', async () => {
    const view = drawn()
    await view.findAll('button')[1]?.trigger('click')
    expect(view.emitted('pick')).toEqual([['LC']])
  })

  it('offer white for a light slot of a film machine', () => {
    expect(drawn('LC').get('select').text()).toContain('W1, white')
    expect(drawn('K').get('select').text()).not.toContain('white')
    expect(drawn('LC', false).get('select').text()).not.toContain('white')
  })

  it('show a slot on fluid as chosen so', () => {
    expect(drawn('LM').get('select').element.value).toBe('fluid')
  })

  it('cannot be chosen where all go the same way', () => {
    expect(drawn('K', false, true).find('select').exists()).toBe(false)
  })
})
