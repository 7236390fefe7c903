import { mount } from '@vue/test-utils'
import { nextTick } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schemas } from '../api/client'
import HandsFree from './HandsFree.vue'
import { doneKey, readsAloud } from './handsFree'

const said: string[] = []
class Utterance {
  lang = ''
  constructor(readonly text: string) {}
}
vi.stubGlobal('SpeechSynthesisUtterance', Utterance)
Object.assign(window, { speechSynthesis: { cancel: () => {}, speak: (u: Utterance) => said.push(u.text) } })

const step = (more: Partial<Schemas['StepJson']> = {}) =>
  ({
    id: 'pull',
    title: 'Pull until it brings only air',
    say: 'Slowly.',
    irreversible: '',
    hold: '',
    ...more,
  }) as Schemas['StepJson']

let shown: ReturnType<typeof mount> | undefined
function show(given: Schemas['StepJson'], ready = true) {
  shown = mount(HandsFree, { props: { step: given, ready }, attachTo: document.body })
  return shown
}
const press = (code: string, on: EventTarget = document.body, more: KeyboardEventInit = {}) =>
  on.dispatchEvent(new KeyboardEvent('keydown', { code, bubbles: true, cancelable: true, ...more }))

beforeEach(() => {
  doneKey.value = 'PageDown'
  readsAloud.value = false
  said.length = 0
})
afterEach(() => shown?.unmount())

describe('a key that says “Done”', () => {
  it('is the one that was chosen, by pressing it', async () => {
    doneKey.value = ''
    const card = show(step())
    await card.get('button').trigger('click')
    press('KeyB')
    await nextTick()
    expect(doneKey.value).toBe('KeyB')
    expect(card.emitted('done'), 'choosing it does nothing yet').toBeUndefined()
    press('KeyB')
    expect(card.emitted('done')).toHaveLength(1)
  })

  it.each(['Tab', 'Escape'])('is never %s, which others find their way with', async (code) => {
    const card = show(step())
    await card.findAll('button')[0]?.trigger('click')
    press(code)
    await nextTick()
    expect(doneKey.value).toBe('PageDown')
  })

  it('counts once however long it is held, and not while the step waits', async () => {
    const card = show(step())
    press('PageDown')
    press('PageDown', document.body, { repeat: true })
    expect(card.emitted('done')).toHaveLength(1)
    await card.setProps({ ready: false })
    press('PageDown')
    expect(card.emitted('done')).toHaveLength(1)
  })

  it('is none until one is chosen, whatever a tablet’s own keys send', () => {
    doneKey.value = ''
    const card = show(step())
    press('')
    expect(card.emitted('done')).toBeUndefined()
  })

  it('is heard beside a dialog that is closed, and not behind one that is open', () => {
    const card = show(step())
    const dialog = document.body.appendChild(document.createElement('div'))
    dialog.setAttribute('role', 'dialog')
    dialog.className = 'modal show'
    press('PageDown')
    expect(card.emitted('done')).toBeUndefined()
    dialog.className = 'modal'
    press('PageDown')
    expect(card.emitted('done')).toHaveLength(1)
    dialog.remove()
  })

  it('is a letter like any other in a field', () => {
    const card = show(step())
    const field = document.body.appendChild(document.createElement('input'))
    press('PageDown', field)
    field.remove()
    expect(card.emitted('done')).toBeUndefined()
  })

  it('wants to be pressed twice where there is no way back', async () => {
    const card = show(step({ irreversible: 'The base is glued.' }))
    press('PageDown')
    await nextTick()
    expect(card.text()).toContain('Press the key once more')
    expect(card.emitted('done')).toBeUndefined()
    press('PageDown')
    expect(card.emitted('done')).toHaveLength(1)
  })
})

describe('reading aloud', () => {
  it('says the step and its hold as they come', async () => {
    readsAloud.value = true
    const card = show(step())
    await card.setProps({ step: step({ id: 'soak', title: 'Soak', say: '', hold: 'Nobody moves the head.' }) })
    expect(said).toEqual(['Pull until it brings only air. Slowly.', 'Soak. Hold here. Nobody moves the head.'])
  })

  it('says why a step was not taken', async () => {
    readsAloud.value = true
    const card = show(step())
    await card.setProps({ refused: 'C is still to be pulled.' })
    expect(said.at(-1)).toBe('C is still to be pulled.')
  })
})
