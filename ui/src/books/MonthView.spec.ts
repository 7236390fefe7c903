import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { standInServer } from '../api/server.testing'
import MonthView from './MonthView.vue'

const month = {
  month: '2026-11',
  thisMonth: '2026-12',
  first: '2026-09',
  lines: [
    { part: 'PRINTED', label: 'ink on customers’ sheets', amount: 40, unit: 'mL', cost: 480 },
    { part: 'HANDS', label: 'hands', amount: 90, unit: 'min', cost: 2700 },
  ],
  total: 3180,
  material: 480,
  sheets: 40,
  perSheet: 80,
}
const answers: Record<string, unknown> = {}
const sent = standInServer(answers)

async function view(statement: object) {
  answers['GET /api/books/statement'] = statement
  const shown = mount(MonthView, { global: { stubs: { LogParts: true } } })
  await flushPromises()
  return shown
}

describe('a month', () => {
  it('says what it cost and what a sheet cost before it says of what', async () => {
    const shown = await view(month)
    expect(shown.get('.headline').text()).toBe('Nov 2026 cost £31.80: 40 sheets for customers, £0.80 each')
    expect(shown.findAll('tbody tr').map((r) => r.text())).toContain('hands1 h 30 min£27.00')
    expect(shown.text()).not.toContain('tax')
  })

  it('shows tax to whoever wants to see it', async () => {
    const shown = await view({ ...month, taxPercent: 20, net: 400, tax: 80, gross: 480 })
    expect(shown.text()).toContain('Material without tax £4.00, tax of 20 % £0.80, with tax £4.80.')
  })

  it('says so where nothing was printed, and looks at other months', async () => {
    const shown = await view({ ...month, lines: [], total: 0, sheets: 0, perSheet: undefined })
    expect(shown.text()).toContain('No sheet was printed for a customer.')
    expect(shown.text()).toContain('Nothing was used in this month.')
    await shown.get('select').setValue('2026-09')
    await flushPromises()
    expect(sent.filter((s) => s.what.includes('statement'))).toHaveLength(2)
    expect(shown.get('a[download]').attributes('href')).toContain('month=2026-09')
  })
})
