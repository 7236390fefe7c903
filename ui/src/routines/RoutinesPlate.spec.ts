import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { refusal, standInServer } from '../api/server.testing'
import RoutinesPlate from './RoutinesPlate.vue'

const routine = (over: object) => ({
  routine: 'wiper',
  title: 'Wipe the wiper',
  say: 'Both sides.',
  skipping: 'It smears.',
  progress: 1.2,
  drivenBy: 'days',
  ask: '2026-01-01T09:00:00Z',
  whereFrom: ['7 days of the clock; counted from Thu 24 Dec, 09:00: 120 %'],
  since: '2025-12-24T09:00:00Z',
  factor: 1,
  cautions: [],
  ...over,
})
const answer = (routines: object[]) => ({
  machine: 4,
  routines,
  leftOut: [{ routine: 'belt', title: 'Look at the belt', off: 'it has none' }],
  whites: [
    {
      channel: 'W1',
      layers: [{ vessel: 'TUBE', depth: 3, share: 0.7, limit: 0.6, at: '2026-01-01T09:00:00Z' }],
      tooMuch: '2026-01-01T09:00:00Z',
    },
  ],
  looks: [
    { channel: 'W1', place: 'LINE', seen: 'SOLID', at: '2026-01-01T09:00:00Z', person: 'Wren' },
    { channel: 'W1', place: 'LINE', seen: 'FILM', at: '2025-12-20T09:00:00Z', person: 'Wren' },
  ],
  returned: [
    { channel: 'W1', times: 2, volume: 14, most: 6 },
    { channel: 'W2', times: 0, volume: 0, most: 6 },
  ],
  pad: { share: 0.2, cleanings: 30, powerCleanings: 4, wontFit: [] },
})
const answers: Record<string, unknown> = {
  'GET /api/machines/4/routines': answer([
    routine({}),
    routine({ routine: 'rail', title: 'Oil the rail', ask: undefined }),
  ]),
}
const sent = standInServer(answers)
const machine = { plate: { id: 4, channels: [{ code: 'C' }, { code: 'W1' }] } } as unknown as Schemas['MachineJson']

async function plate() {
  const shown = mount(RoutinesPlate, {
    props: { machine, zone: 'UTC', unit: 'mL' },
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } },
  })
  await flushPromises()
  return shown
}

describe('routines of a machine', () => {
  it.each([
    [30, 'late by 30 h'],
    [72, 'late by 3 days'],
    [0.5, 'late by 30 min'],
  ])('says how long leaving it out hurts already: %s h', async (hours, words) => {
    const before = answers['GET /api/machines/4/routines']
    const latest = new Date(Date.now() - hours * 3_600_000 - 1000).toISOString()
    answers['GET /api/machines/4/routines'] = answer([routine({ latest })])
    expect((await plate()).text()).toContain(`Wipe the wiper${words}`)
    answers['GET /api/machines/4/routines'] = before
  })

  it('says what is due, what nothing foretells, what settled and what is left out', async () => {
    const text = (await plate()).text()
    expect(text).toMatch(/Wipe the wiper\s*due/)
    expect(text).toContain('nothing foretells it')
    expect(text).toMatch(/W1 went back into its tank 2 of 6 times since it was filled,\s+14(\.0)? mL\./)
    expect(text).not.toContain('W2 went back')
    expect(text).toContain('too much has settled')
    expect(text).toContain('left out, it has none')
    expect(text).toContain('Solid at the floor')
    expect(text).toContain('30 more cleanings, or 4 power cleanings')
  })

  it('answers where a date comes from', async () => {
    const shown = await plate()
    await shown.get('.what').trigger('click')
    expect(shown.text()).toContain('counted from Thu 24 Dec')
    expect(shown.text()).toContain('If it is left out: It smears.')
  })

  it('takes what was done off the top', async () => {
    answers['POST /api/machines/4/routines/wiper/done'] = answer([routine({ routine: 'rail', title: 'Oil the rail' })])
    const shown = await plate()
    await shown
      .findAll('button')
      .find((b) => b.text() === 'Done')
      ?.trigger('click')
    await flushPromises()
    expect(shown.text()).not.toContain('Wipe the wiper')
  })

  it('says why colour never goes back', async () => {
    answers['POST /api/machines/4/white'] = refusal('Never back: colour at the waste line is mixed.', 'channel')
    const shown = await plate()
    await shown.get('form.drawn').trigger('submit')
    await flushPromises()
    expect(sent.at(-1)?.body).toEqual({ channel: 'W1', volume: 5, to: 'BACK', shaken: false })
    expect(shown.get('[role="alert"]').text()).toContain('Never back')
  })
})
