import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { standInServer } from '../api/server.testing'
import MachineNow from './MachineNow.vue'

vi.mock('../shell/live', async (real) => ({
  ...(await real<typeof import('../shell/live')>()),
  useLive: () => undefined,
}))

const slot = (code: string, missing: number[]) => ({
  code,
  nozzles: 180,
  missing,
  checkedAt: '2026-11-25T09:00:00Z',
  path: [{ kind: 'tank', capacity: 90, layers: [{ kind: 'INK', label: 'sublimation', volume: 66 }] }],
})
const routine = (title: string, ask: string) => ({ routine: title, title, ask, channel: undefined })
const answers: Record<string, unknown> = {
  'GET /api/log': { entries: [], kinds: [] },
  'GET /api/machines/4/routines': {
    routines: [routine('Wipe the wiper', '2020-01-01T00:00:00Z'), routine('Purge sheet', '2099-01-01T00:00:00Z')],
  },
}
standInServer(answers)

async function now(attention: string, more: object = {}) {
  answers['GET /api/machines/4'] = {
    owed: [{ id: 1, words: 'Grease the rail', due: '2026-11-20', late: true }],
    plate: {
      id: 4,
      channels: [slot('C', []), slot('M', [3, 9])],
      padShare: 0.08,
      attention: { kind: attention, words: 'Look again: 2 gaps' },
      ...more,
    },
  }
  const shown = mount(MachineNow, {
    props: { id: 4 },
    global: { stubs: { RouterLink: { props: ['to'], template: '<a :href="to"><slot /></a>' } } },
  })
  await flushPromises()
  await flushPromises()
  return shown
}

describe('a machine, now', () => {
  it('says of every channel what is in it and how it printed last', async () => {
    const rows = (await now('CHECK')).findAll('tbody tr').map((r) => r.text())
    expect(rows[0]).toContain('66 of 90 mL')
    expect(rows[0]).toContain('whole')
    expect(rows[1]).toContain('2 of 180 missing')
  })

  it('lists what it wants, with the way to each', async () => {
    const todo = (await now('CHECK', { caseId: 7 })).find('.todo')
    expect(todo.text()).toContain('Look again')
    expect(todo.text()).toContain('Grease the rail')
    expect(todo.text()).toContain('Wipe the wiper due')
    expect(todo.text()).not.toContain('Purge sheet due')
    expect(todo.findAll('.lines a').map((a) => a.attributes('href'))).toEqual([
      '/clinic/7',
      '/machines/4/checks#check',
      '/machines/4/upkeep#owed',
      '/machines/4/upkeep',
    ])
  })

  it('asks for nothing when nothing is wanted', async () => {
    const todo = (await now('NOTHING')).find('.todo')
    expect(todo.text()).not.toContain('Look again')
  })
})
