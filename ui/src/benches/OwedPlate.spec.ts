import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { refusal, standInServer } from '../api/server.testing'
import OwedPlate from './OwedPlate.vue'

const task = { id: 3, words: 'Align the head', why: 'no time', due: '2026-11-20', late: true }
const machine = { plate: { id: 4 }, owed: [task] } as unknown as Schemas['MachineJson']
const answers: Record<string, unknown> = {
  'GET /api/machines/4/promises': [{ id: 8, words: '24 sashes', due: '2026-11-27T09:00:00Z' }],
  'POST /api/machines/4/owed/3/done': [],
}
const sent = standInServer(answers)

async function plate() {
  const shown = mount(OwedPlate, {
    props: { machine, zone: 'UTC' },
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } },
  })
  await flushPromises()
  return shown
}
const press = async (shown: Awaited<ReturnType<typeof plate>>, words: string) => {
  await shown
    .findAll('button')
    .find((b) => b.text() === words)
    ?.trigger('click')
  await flushPromises()
}

describe('owed and promised', () => {
  it('shows both with their days', async () => {
    expect((await plate()).text()).toMatch(/Align the head[\s\S]*due[\s\S]*Fri 20 Nov[\s\S]*24 sashes[\s\S]*Fri 27 Nov/)
  })

  it('takes what is done off the list', async () => {
    const shown = await plate()
    await press(shown, 'Done')
    expect(shown.text()).not.toContain('Align the head')
  })

  it('writes down what comes round', async () => {
    answers['POST /api/machines/4/owed'] = [task]
    const shown = await plate()
    await press(shown, 'Owe it something')
    await shown.get('#owed-words').setValue('Grease the rail')
    await shown.get('input[type=checkbox]').setValue(true)
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(sent.at(-1)?.body).toEqual({ words: 'Grease the rail', why: '', inDays: 7, every: 30 })
  })

  it('asks for a day before it promises', async () => {
    answers['POST /api/machines/4/promises'] = refusal('For when?', 'due')
    const shown = await plate()
    await press(shown, 'Promise work')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(shown.get('[role="alert"]').text()).toBe('For when?')
  })

  it('promises by the shop’s clock', async () => {
    answers['POST /api/machines/4/promises'] = []
    const shown = await plate()
    await press(shown, 'Promise work')
    await shown.get('#promise-words').setValue('24 sashes')
    await shown.get('#promise-due').setValue('19 Dec 2026')
    await shown.get('#promise-time').setValue('15:30')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(sent.at(-1)?.body).toEqual({ words: '24 sashes', due: '2026-12-19T15:30:00.000Z' })
  })
})
