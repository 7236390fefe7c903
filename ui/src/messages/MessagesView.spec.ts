import { flushPromises, mount } from '@vue/test-utils'
import { createMemoryHistory, createRouter } from 'vue-router'
import { describe, expect, it } from 'vitest'
import { refusal, standInServer } from '../api/server.testing'
import MessagesView from './MessagesView.vue'

const low = { key: 'INK_LOW', wording: 'ink low', meaning: 'It counts drops.', act: 'Look at the level.', own: false }
const said = {
  entry: 3,
  at: '2026-11-30T10:00:00Z',
  machine: 1,
  machineName: 'Bramble',
  wording: 'ink low',
  message: 'INK_LOW',
  did: 'went on',
  outcome: 'WENT_AWAY',
}
const answers: Record<string, unknown> = {
  'GET /api/messages': [low],
  'GET /api/messages/heard': [said],
  'POST /api/machines/1/heard': [said, said],
  'GET /api/bench': { machines: [{ id: 1, name: 'Bramble' }] },
}
const sent = standInServer(answers)

async function opened() {
  const router = createRouter({
    history: createMemoryHistory(),
    routes: [{ path: '/:all(.*)', component: MessagesView }],
  })
  await router.push('/clinic/messages?machine=1')
  const view = mount(MessagesView, { global: { plugins: [router] } })
  await flushPromises()
  return view
}

describe('what machines say', () => {
  it('says beside a message what came of it here', async () => {
    const view = await opened()
    expect(view.get('.found').text()).toContain('Once here')
    expect(view.get('.found').text()).toContain('on Bramble: went on – it went away')
  })

  it('keeps what was done with what was safe already written', async () => {
    const view = await opened()
    await view.get('[aria-label="“ink low”: a machine says so"]').trigger('click')
    await view.get('.heard').trigger('submit')
    await flushPromises()
    expect(sent.find((s) => s.what.startsWith('POST'))?.body).toEqual({
      wording: 'ink low',
      message: 'INK_LOW',
      did: 'Look at the level.',
      outcome: 'NOT_KNOWN',
    })
    expect(view.get('.found').text()).toContain('2 times here')
  })

  it('says at its field what is wrong with an explanation of one’s own', async () => {
    answers['POST /api/messages'] = refusal('This one is explained already.', 'wording')
    const view = await opened()
    await view
      .findAll('button')
      .find((b) => b.text() === 'Explain one of our own')
      ?.trigger('click')
    await view.get('form.own').trigger('submit')
    await flushPromises()
    expect(view.get('form.own').text()).toContain('explained already')
  })
})
