import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { standInServer } from '../api/server.testing'
import type { Case } from './useCase'
import WhatElse from './WhatElse.vue'

const push = vi.hoisted(() => vi.fn())
vi.mock('vue-router', () => ({ useRouter: () => ({ push }) }))

const sent = standInServer({
  'GET /api/clinic/words': {
    complaints: [],
    treatments: [
      { treatment: 'CLEANING', label: 'Light cleaning', why: 'pulls a little', perChannel: false },
      { treatment: 'NEW_DAMPER', label: 'New damper', why: 'a loaded filter starves', perChannel: true },
      { treatment: 'HEAD_OUT', label: 'Head out', why: 'the last resort', perChannel: false },
    ],
  },
  'POST /api/cases/7/card': { card: 31 },
})
const found = {
  id: 7,
  channels: [
    { channel: 'K', failing: false },
    { channel: 'C', failing: true },
  ],
  rules: [
    { treatment: 'CLEANING', why: 'Three in a row: rest first.', never: false },
    { treatment: 'HEAD_OUT', why: 'Its user cannot take this head out.', never: true },
  ],
} as unknown as Case

async function picked(label: string) {
  const shown = mount(WhatElse, {
    props: { found, modelValue: true },
    global: { stubs: { BModal: { template: '<div><slot /></div>' } } },
  })
  await flushPromises()
  await button(shown, label).trigger('click')
  return shown
}
const button = (shown: ReturnType<typeof mount>, label: string) =>
  shown.findAll('button').find((b) => b.text() === label)!

describe('something else than was advised', () => {
  it('opens at once where no rule speaks against it, on the channels that fail', async () => {
    const shown = await picked('New damper')
    await button(shown, 'Open the card').trigger('click')
    await flushPromises()
    expect(sent.at(-1)).toMatchObject({ body: { treatment: 'NEW_DAMPER', channels: ['C'] } })
    expect(push).toHaveBeenLastCalledWith('/cards/31')
  })

  it('asks why where a rule speaks against it, and says so with it', async () => {
    const shown = await picked('Light cleaning')
    expect(shown.text()).toContain('Three in a row: rest first.')
    expect(button(shown, 'Open the card').attributes('disabled')).toBeDefined()
    await shown.find('#anyway').setValue('the order leaves at two')
    await button(shown, 'Open the card').trigger('click')
    await flushPromises()
    expect(sent.at(-1)).toMatchObject({ body: { treatment: 'CLEANING', anyway: 'the order leaves at two' } })
  })

  it('opens nothing that no reason opens', async () => {
    const shown = await picked('Head out')
    expect(shown.find('#anyway').exists()).toBe(false)
    expect(button(shown, 'Open the card').attributes('disabled')).toBeDefined()
    expect(button(shown, 'It is done already').attributes('disabled')).toBeDefined()
  })

  it('takes what is done already as evidence', async () => {
    const shown = await picked('Light cleaning')
    await button(shown, 'It is done already').trigger('click')
    expect(shown.emitted('say')![0]).toEqual([{ kind: 'DONE', treatment: 'CLEANING', channels: ['K', 'C'] }])
  })
})
