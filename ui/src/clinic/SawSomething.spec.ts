import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import SawSomething from './SawSomething.vue'
import type { Case } from './useCase'

const of = (notThere: string[]) =>
  mount(SawSomething, {
    props: {
      found: { channels: [{ channel: 'C', failing: true }], notThere } as unknown as Case,
      busy: false,
      modelValue: true,
    },
    global: { stubs: { BModal: { template: '<div><slot /></div>' } } },
  })

describe('what somebody saw or felt', () => {
  it('is asked only of parts that the machine has', () => {
    expect(of([]).text()).toContain('Bubbles in the tube')
    expect(of(['BUBBLES']).text()).not.toContain('Bubbles in the tube')
    expect(of(['BUBBLES']).text()).toContain('Crust on the inlet')
  })

  it('is said of the channel that fails, and of the whole machine where it is the whole machine', async () => {
    const shown = of([])
    await shown.findAll('.lines button')[0]!.trigger('click')
    await shown
      .findAll('.lines button')
      .find((b) => b.text() === 'it rose')!
      .trigger('click')
    expect(shown.emitted('say')).toEqual([
      [{ kind: 'BUBBLES', channels: ['C'], yes: true }],
      [{ kind: 'WASTE_ROSE', channels: [], yes: true }],
    ])
  })
})
