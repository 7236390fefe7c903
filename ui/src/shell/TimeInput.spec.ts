import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { timeOf } from '../units/typed'
import TimeInput from './TimeInput.vue'

describe('a time of the day', () => {
  it.each([
    ['9', '09:00:00'],
    ['9:30', '09:30:00'],
    ['17.30', '17:30:00'],
    ['0930', '09:30:00'],
    [' 8h15 ', '08:15:00'],
    ['24:00', ''],
    ['9:60', ''],
    ['noon', ''],
    ['', ''],
  ])('typed as “%s” is kept as “%s”', (typed, kept) => expect(timeOf(typed)).toBe(kept))

  it('is shown in 24 hours, and put in order when the field is left', async () => {
    const field = mount(TimeInput, { props: { modelValue: '17:00:00' } })
    const input = field.get('input')
    expect(input.element.value).toBe('17:00')
    await input.setValue('9')
    expect(field.emitted('update:modelValue')?.at(-1)).toEqual(['09:00:00'])
    await input.trigger('blur')
    expect(input.element.value).toBe('09:00')
  })

  it('says at the field what it does not take, and keeps nothing in its place', async () => {
    const field = mount(TimeInput, { props: { modelValue: '17:00:00' } })
    await field.get('input').setValue('late')
    expect(field.get('[role=alert]').text()).toContain('Type it like 9:30')
    expect(field.emitted('update:modelValue')?.at(-1)).toEqual([''])
  })
})
