import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { api } from '../api/client'
import { standInServer } from '../api/server.testing'
import { noUndo, undoOffer } from '../shell/undo'
import StrikeDialog from './StrikeDialog.vue'
import UndoBar from './UndoBar.vue'

const preview = { entry: 7, words: 'Clover: 18 mL poured', gives: ['the refill of C'], stays: [] as string[] }
const answers: Record<string, unknown> = {
  'POST /api/machines/1/pad': new Response('{}', { headers: { 'Kettle-Entry': '7' } }),
  'GET /api/log/7/strike': preview,
  'POST /api/log/7/strike': { stays: [] },
}
const sent = standInServer(answers)
afterEach(noUndo)

async function afterAnAct() {
  const bar = mount(UndoBar, { global: { stubs: { BModal: { template: '<div><slot /></div>' } } } })
  await api.POST('/api/machines/{machine}/pad', { params: { path: { machine: 1 } } })
  await flushPromises()
  return bar
}

describe('undo, where it was done', () => {
  it('is offered after an act, and takes it back with one tap', async () => {
    const bar = await afterAnAct()
    expect(bar.text()).toContain('Written down.')
    await bar.get('button').trigger('click')
    await flushPromises()
    expect(sent.map((s) => s.what).slice(1)).toEqual(['GET /api/log/7/strike', 'POST /api/log/7/strike'])
    expect(undoOffer.value).toBeUndefined()
  })

  it('asks first where something stays', async () => {
    answers['GET /api/log/7/strike'] = { ...preview, stays: ['2 mL of it have been used since.'] }
    const bar = await afterAnAct()
    await bar.get('button').trigger('click')
    await flushPromises()
    expect(sent.map((s) => s.what)).not.toContain('POST /api/log/7/strike')
    expect(bar.findComponent(StrikeDialog).text()).toContain('2 mL of it have been used since.')
    answers['GET /api/log/7/strike'] = preview
  })

  it('is gone after a minute', async () => {
    vi.useFakeTimers()
    try {
      mount(UndoBar)
      const act = api.POST('/api/machines/{machine}/pad', { params: { path: { machine: 1 } } })
      await vi.advanceTimersByTimeAsync(1)
      await act
      expect(undoOffer.value?.entry).toBe(7)
      await vi.advanceTimersByTimeAsync(60_000)
      expect(undoOffer.value).toBeUndefined()
    } finally {
      vi.useRealTimers()
    }
  })
})

describe('striking out', () => {
  it('says what comes back and what stays before anything is struck', () => {
    const dialog = mount(StrikeDialog, {
      props: { preview: { ...preview, stays: ['A case was closed on it.'] }, problem: '', busy: false },
      global: { stubs: { BModal: { template: '<div><slot /></div>' } } },
    })
    expect(dialog.text()).toContain('This comes back')
    expect(dialog.text()).toContain('the refill of C')
    expect(dialog.text()).toContain('A case was closed on it.')
  })

  it('offers nothing where it cannot be, and says why', () => {
    const dialog = mount(StrikeDialog, {
      props: { preview: { ...preview, why: 'Another card was begun since.' }, problem: '', busy: false },
      global: { stubs: { BModal: { template: '<div><slot /></div>' } } },
    })
    expect(dialog.text()).toContain('Another card was begun since.')
    expect(dialog.text()).not.toContain('Strike it out')
  })
})
