import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import { refusal, standInServer } from '../api/server.testing'
import RefillPlate from './RefillPlate.vue'

const machine = { plate: { id: 4 }, chips: 'chips that reset themselves' } as unknown as Schemas['MachineJson']
const line = (channel: string, more: object = {}) => ({
  channel,
  level: 40,
  room: 20,
  trigger: 18,
  due: false,
  atLastMark: false,
  countOff: 0,
  apart: false,
  cartridges: 5,
  saved: { minor: 7000, currency: 'GBP' },
  bottles: [{ id: 9, label: 'DYE-C', left: 80, opened: true }],
  ...more,
})
const whole = {
  trigger: 0.3,
  usualTrigger: true,
  lines: [
    line('C', {
      forecast: {
        earliest: '2026-12-01T09:00:00Z',
        expected: '2026-12-05T09:00:00Z',
        latest: '2026-12-11T09:00:00Z',
        pages: 210,
      },
    }),
    line('M', { due: true, atLastMark: true, bottles: [] }),
  ],
}
const answers: Record<string, unknown> = {
  'GET /api/machines/4/refills': whole,
  'POST /api/machines/4/refills': whole,
}
const sent = standInServer(answers)

async function plate() {
  const shown = mount(RefillPlate, {
    props: { machine, unit: 'mL', zone: 'UTC' },
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } },
  })
  await flushPromises()
  return shown
}

describe('refilling', () => {
  it('says the day with its range, and what nobody knows yet', async () => {
    const text = (await plate()).text()
    expect(text).toMatch(/Sat 5 Dec[\s\S]*Tue 1 Dec to\s+Fri 11 Dec,\s+210 pages/)
    expect(text).toContain('M at the last mark: print nothing more.')
  })

  it('pours from the bottle that fits', async () => {
    const shown = await plate()
    await shown.get('[aria-label="Refill C"]').trigger('click')
    expect(shown.text()).toContain('C takes 20 mL to the line')
    await shown.get('#refill-poured').setValue('18')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(sent.at(-1)?.what).toBe('POST /api/machines/4/refills')
    expect(sent.at(-1)?.body).toEqual({ channel: 'C', lot: 9, poured: 18, ranDry: false, chipReset: false })
  })

  it('says at the field why too much is refused, and keeps what was typed', async () => {
    answers['POST /api/machines/4/refills'] = refusal('There is room for 20 mL up to the line.', 'poured')
    const shown = await plate()
    await shown.get('[aria-label="Refill C"]').trigger('click')
    await shown.get('#refill-poured').setValue('25')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(shown.get('[role="alert"]').text()).toBe('There is room for 20 mL up to the line.')
    expect((shown.get('#refill-poured').element as HTMLInputElement).value).toBe('25')
  })

  it('offers no pouring where no bottle fits', async () => {
    const shown = await plate()
    await shown.get('[aria-label="Refill M"]').trigger('click')
    expect(shown.text()).toContain('No bottle on the shelf fits.')
    expect(shown.find('#refill-poured').exists()).toBe(false)
  })
})
