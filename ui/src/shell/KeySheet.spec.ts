import { flushPromises, mount } from '@vue/test-utils'
import { createRouter, createMemoryHistory } from 'vue-router'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { doneKey } from '../cards/handsFree'
import HandsFree from '../cards/HandsFree.vue'
import { singleKeys } from './keys'
import KeySheet from './KeySheet.vue'
import { aroundKey, PLACES } from './places'

const nothing = { template: '<i />' }
const router = createRouter({
  history: createMemoryHistory(),
  routes: [
    { path: '/cards/:id', name: 'card', component: nothing },
    { path: '/:rest(.*)*', component: nothing },
  ],
})
const sheet = { template: '<div v-if="modelValue"><slot /></div>', props: ['modelValue'] }
let shown: ReturnType<typeof mount>
const press = async (key: string, on: EventTarget = document.body, code = '') => {
  on.dispatchEvent(new KeyboardEvent('keydown', { key, code, bubbles: true, cancelable: true }))
  await flushPromises()
}
const at = () => router.currentRoute.value.path

beforeEach(async () => {
  singleKeys.value = true
  doneKey.value = ''
  await router.push('/')
  shown = mount(KeySheet, { global: { plugins: [router], stubs: { BModal: sheet } } })
})
afterEach(() => shown.unmount())

describe('single keys', () => {
  it('are different letters, each in its place’s name', () => {
    expect(new Set(PLACES.map((p) => p.key)).size).toBe(PLACES.length)
    for (const place of PLACES) expect(aroundKey(place.label, place.key).join('')).toBe(place.label)
    for (const place of PLACES) expect(aroundKey(place.label, place.key)[1], place.label).not.toBe('')
  })

  it('go to a place', async () => {
    await press('l')
    expect(at()).toBe('/log')
    await press('o')
    expect(at()).toBe('/changeover')
  })

  it('are letters where something is typed', async () => {
    const field = document.body.appendChild(document.createElement('textarea'))
    await press('l', field)
    field.remove()
    expect(at()).toBe('/')
  })

  it('can be turned off, all but the sheet that says so', async () => {
    singleKeys.value = false
    await press('l')
    expect(at()).toBe('/')
    await press('?')
    expect(shown.text()).toContain('single letters go somewhere')
  })

  it('give way to the key that says “Done” on a card', async () => {
    doneKey.value = 'KeyL'
    const step = { id: 'pull', title: 'Pull', say: '', irreversible: '', hold: '' }
    const card = mount(HandsFree, { props: { step: step as unknown as Schemas['StepJson'], ready: true } })
    await press('l', document.body, 'KeyL')
    expect(card.emitted('done')).toHaveLength(1)
    expect(at()).toBe('/')
    card.unmount()
    await press('l', document.body, 'KeyL')
    expect(at()).toBe('/log')
  })
})
