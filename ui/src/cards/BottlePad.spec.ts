import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { defineComponent, nextTick } from 'vue'
import BottlePad from './BottlePad.vue'

const bottles = [
  { id: 1, channel: 'C', label: 'SUB-1C · sublimation C', left: 80, opened: false },
  { id: 2, channel: 'K', label: 'EDI-9K · edible K', left: 40, opened: true },
  { id: 3, channel: 'K', label: 'SUB-1K · sublimation K', left: 250, opened: false },
]
const Plain = defineComponent({ template: '<div><slot /></div>' })

function pad() {
  return mount(BottlePad, {
    props: { modelValue: true, channel: 'K', bottles, unit: 'mL' },
    global: { stubs: { BModal: Plain } },
  })
}

describe('the code on the bottle in hand', () => {
  it('offers every bottle, those of the channel first: the wrong one has to be caught', () => {
    expect(
      pad()
        .findAll('.bottles b')
        .map((b) => b.text()),
    ).toEqual(['EDI-9K · edible K', 'SUB-1K · sublimation K', 'SUB-1C · sublimation C'])
  })

  it('finds a bottle by what is typed', async () => {
    const view = pad()
    await view.get('input').setValue('sub-1k')
    await nextTick()
    expect(view.findAll('.bottles b')).toHaveLength(1)
    await view.get('.bottles button').trigger('click')
    expect(view.emitted('read')).toEqual([['3']])
    expect(view.emitted('update:modelValue')).toEqual([[false]])
  })

  it('says so when no bottle has that code', async () => {
    const view = pad()
    await view.get('input').setValue('XX')
    expect(view.text()).toContain('No bottle of that code is on the shelf.')
  })

  it('says how much is left, and whether it is open', () => {
    expect(pad().get('.bottles li').text()).toContain('40 mL, open')
  })
})
