import { mount } from '@vue/test-utils'
import { nextTick, ref } from 'vue'
import { describe, expect, it } from 'vitest'
import DateInput from './DateInput.vue'

function field(value = '') {
  const kept = ref(value)
  const view = mount(DateInput, {
    props: { modelValue: value, 'onUpdate:modelValue': (next: string) => (kept.value = next) },
  })
  return { view, kept, input: view.get('input') }
}

describe('a date', () => {
  it('is kept as it is understood, and shown as all dates are once it is left', async () => {
    const { view, kept, input } = field()
    await input.setValue('19.12.2026')
    expect(kept.value).toBe('2026-12-19')
    await view.setProps({ modelValue: kept.value })
    await input.trigger('blur')
    expect(input.element.value).toBe('19 Dec 2026')
  })

  it('that is none says how to type one, and is not dropped', async () => {
    const { view, kept, input } = field('2026-12-19')
    await input.setValue('31 Jun')
    expect(kept.value).toBe('31 Jun')
    expect(view.get('[role=alert]').text()).toBe('“31 Jun” is no date. Type it like 19 Dec.')
    expect(input.attributes('aria-invalid')).toBe('true')
  })

  it('follows what is put into it', async () => {
    const { view, input } = field('2026-12-19')
    await view.setProps({ modelValue: '' })
    await nextTick()
    expect(input.element.value).toBe('')
  })
})
