import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { standInServer } from '../api/server.testing'
import BottleView from './BottleView.vue'

const bottle = {
  id: 7,
  family: 'sublimation',
  channel: 'C',
  make: 'own',
  code: 'SUB-C7',
  left: 60,
  spoiled: 'threads',
  reached: [
    {
      machine: 1,
      name: 'Bramble',
      channel: 'C',
      poured: 30,
      holds: 12,
      first: '2026-10-01T09:00:00Z',
      last: '2026-11-01T09:00:00Z',
    },
    {
      machine: 2,
      name: 'Sorrel',
      channel: 'C',
      poured: 10,
      holds: 0,
      first: '2026-10-01T09:00:00Z',
      last: '2026-11-01T09:00:00Z',
    },
  ],
  went: [{ cause: 'prints', mL: 28 }],
  prints: [{ entry: 3, at: '2026-11-01T09:00:00Z', words: 'Bramble printed 4 sheets' }],
  printsInAll: 140,
}
const answers: Record<string, unknown> = {}
const sent = standInServer(answers)

async function view(said: object) {
  answers['GET /api/shelf/lots/7/recall'] = said
  const shown = mount(BottleView, {
    props: { id: 7 },
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' }, ShelfParts: true } },
  })
  await flushPromises()
  return shown.text()
}

describe('the way of a bottle', () => {
  it('says first where it still is', async () => {
    const text = await view(bottle)
    expect(text).toContain('Marked bad:\u00a0threads')
    expect(text).toContain('Still in Bramble C.')
    expect(text).toContain('Sheets that carried it: 140')
    expect(text).toContain('The newest 1 of 140.')
  })

  it('takes what was weighed, with a comma, and says why', async () => {
    answers['GET /api/shelf/lots/7/recall'] = bottle
    answers['POST /api/shelf/lots/7/counted'] = []
    const shown = mount(BottleView, {
      props: { id: 7 },
      global: { stubs: { RouterLink: { template: '<a><slot /></a>' }, ShelfParts: true } },
    })
    await flushPromises()
    await shown.get('button').trigger('click')
    await shown.get('#holds').setValue('55,5')
    await shown.get('#why').setValue('spilled')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((s) => s.what.endsWith('counted'))?.body).toEqual({ holds: 55.5, why: 'spilled' })
    expect(shown.find('form').exists()).toBe(false)
  })

  it('says so of a bottle that nothing was filled from, and of fluid', async () => {
    expect(await view({ ...bottle, spoiled: undefined, reached: [] })).toContain('Nothing has been filled from it yet.')
    expect(await view({ ...bottle, channel: undefined, reached: [] })).toContain('cannot be told')
  })
})
