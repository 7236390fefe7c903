import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { standInServer } from '../api/server.testing'
import SheetsPlate from './SheetsPlate.vue'

const machine = {
  plate: {
    id: 4,
    channels: [
      { code: 'C', missing: [3] },
      { code: 'M', missing: [] },
      { code: 'LC', missing: [] },
    ],
  },
} as unknown as Schemas['MachineJson']
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
  'POST /api/machines/4/sheets': sheets,
  'POST /api/sheets/12/printed': { ...sheets, made: [{ ...sheets.made[0], printed: true }] },
})
async function plate() {
  const shown = mount(SheetsPlate, { props: { machine, unit: 'mL', zone: 'UTC' } })
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
    expect(sent.at(-1)?.body).toEqual({ kind: 'PURGE', paper: 'A4', wanted: { C: 0.7 } })
  })

  it('counts a sheet when it came out', async () => {
    const shown = await plate()
    await shown
      .findAll('button')
      .find((b) => b.text() === 'It came out')
      ?.trigger('click')
    await flushPromises()
    expect(shown.emitted('printed')).toHaveLength(1)
    expect(shown.text()).toContain('printed')
  })
})
