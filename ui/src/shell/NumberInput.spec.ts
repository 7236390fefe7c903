import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import NumberInput from './NumberInput.vue'

function field(props: { modelValue: number; currency?: string; times?: number; lazy?: boolean }) {
  const shown = mount(NumberInput, { props, attrs: { id: 'price' } })
  const input = shown.find('input')
  const kept = () => shown.emitted('update:modelValue')?.at(-1)?.[0]
  return { shown, input, kept }
}

describe('a number in a form', () => {
  it('keeps a price with a comma in minor units, and the text as it was typed', async () => {
    const { input, kept } = field({ modelValue: 1200, currency: 'GBP' })
    expect(input.element.value).toBe('12')
    await input.setValue('17,50')
    expect(kept()).toBe(1750)
    expect(input.element.value).toBe('17,50')
  })

  it('takes yen as they are', async () => {
    const { input, kept } = field({ modelValue: 900, currency: 'JPY' })
    expect(input.element.value).toBe('900')
    await input.setValue('950')
    expect(kept()).toBe(950)
  })

  it('says what is wrong, and keeps no number in its place', async () => {
    const { shown, input, kept } = field({ modelValue: 1200, currency: 'GBP' })
    await input.setValue('lots')
    expect(kept()).toBeNaN()
    expect(shown.find('[role=alert]').text()).toBe('“lots” is no number. Type it like 17.50.')
    expect(input.attributes('aria-invalid')).toBe('true')
    await input.setValue('17.505')
    expect(shown.find('[role=alert]').text()).toBe('Finer than GBP goes.')
  })

  it('shows a share in per cent', async () => {
    const { input, kept } = field({ modelValue: 0.25, times: 100 })
    expect(input.element.value).toBe('25')
    await input.setValue('12,5')
    expect(kept()).toBe(0.125)
  })

  it('follows what others keep, and waits where it is left lazily', async () => {
    const { shown, input, kept } = field({ modelValue: 3, lazy: true })
    await shown.setProps({ modelValue: 4 })
    expect(input.element.value).toBe('4')
    input.element.value = '5'
    await input.trigger('input')
    expect(kept()).toBeUndefined()
    await input.trigger('change')
    expect(kept()).toBe(5)
  })
})
