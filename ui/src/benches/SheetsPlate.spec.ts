import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { standInServer } from '../api/server.testing'
import SheetsPlate from './SheetsPlate.vue'

vi.mock('../shell/live', async (real) => ({
  ...(await real<typeof import('../shell/live')>()),
  useLive: () => undefined,
}))

const sheets = {
  kinds: [
    { id: 'PURGE', label: 'purge sheet', shows: 'Shows whether supply holds.' },
    { id: 'HEALTH', label: 'health sheet', shows: 'Shows gaps.' },
  ],
  channels: [
    { channel: 'C', byPage: true, say: 'Plain paper.', usual: 0.7 },
    { channel: 'M', byPage: true, say: 'Plain paper.', usual: 0.7 },
    { channel: 'LC', byPage: false, say: 'Print its own check.', usual: 0.7 },
  ],
  made: [{ id: 12, kind: 'PURGE', what: 'C', pages: 1, madeAt: '2026-11-25T09:00:00Z', printed: false }],
}
const sent = standInServer({
  'GET /api/machines/4/sheets': sheets,
  'GET /api/machines/4/print-jobs': {
    uri: 'ipp://sorrel/ipp/print',
    jobs: [
      { id: 7, sheet: 12, machine: 4, state: 'UNSURE', words: 'Look into the tray.', madeAt: '2026-11-25T09:00:00Z' },
    ],
  },
  'POST /api/sheets/12/print': { uri: 'ipp://sorrel/ipp/print', jobs: [] },
  'POST /api/print-jobs/7/came': { uri: 'ipp://sorrel/ipp/print', jobs: [] },
  'POST /api/machines/4/sheets': sheets,
  'POST /api/sheets/12/printed': { ...sheets, made: [{ ...sheets.made[0], printed: true }] },
})
async function plate() {
  const shown = mount(SheetsPlate, { props: { machine: 4, name: 'Sorrel', gaps: ['C'], unit: 'mL', zone: 'UTC' } })
  await flushPromises()
  return shown
}

describe('sheets', () => {
  it('begins with the channels that have gaps, and offers only those a page reaches', async () => {
    const shown = await plate()
    await shown.get('button').trigger('click')
    expect((shown.get('#sheet-C').element as HTMLInputElement).value).toBe('0.7')
    expect((shown.get('#sheet-M').element as HTMLInputElement).value).toBe('')
    expect(shown.find('#sheet-LC').exists()).toBe(false)
    expect(shown.text()).toContain('Print its own check.')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((r) => r.what === 'POST /api/machines/4/sheets')?.body).toEqual({
      kind: 'PURGE',
      paper: 'A4',
      wanted: { C: 0.7 },
    })
  })

  it('asks whether a sheet came out when nobody knows, and counts it then', async () => {
    const shown = await plate()
    expect(shown.text()).toContain('Nobody knows. Look into the tray.')
    await shown
      .findAll('button')
      .find((b) => b.text() === 'It came out')
      ?.trigger('click')
    await flushPromises()
    expect(shown.emitted('printed')).toHaveLength(1)
    expect(sent.some((r) => r.what === 'POST /api/print-jobs/7/came')).toBe(true)
  })
})
