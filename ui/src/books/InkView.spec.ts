import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { standInServer } from '../api/server.testing'
import InkView from './InkView.vue'

const causes = [
  { cause: 'BOUGHT', label: 'bought', comesIn: true },
  { cause: 'PRINTS', label: 'prints', comesIn: false },
  { cause: 'CLEANINGS', label: 'cleanings', comesIn: false },
]
const flow = (name: string, prints: number, cleanings: number) => ({
  name,
  mL: { PRINTS: prints, CLEANINGS: cleanings, BOUGHT: -100 },
  gone: prints + cleanings,
  cost: 120,
})
const answers: Record<string, unknown> = {
  'GET /api/books': {
    from: '2026-10',
    to: '2026-11',
    thisMonth: '2026-12',
    first: '2026-08',
    causes,
    stock: [{ ink: 'sublimation C', before: 80, came: 100, gone: 40, after: 140, mL: {}, cost: 240 }],
    months: [flow('2026-10', 20, 5), flow('2026-11', 10, 5)],
    machines: [flow('Bramble', 30, 10), { ...flow('', 0, 0), gone: 0 }],
    people: [flow('Wren', 30, 10)],
    jobs: [],
    cost: 240,
  },
}
const sent = standInServer(answers)

async function view() {
  const shown = mount(InkView, {
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' }, LogParts: true } },
  })
  await flushPromises()
  await vi.dynamicImportSettled()
  await flushPromises()
  return shown
}

describe('where ink went', () => {
  it('says what it was for before it shows how much of what', async () => {
    const shown = await view()
    expect(shown.get('.headline').text()).toContain('40 mL')
    expect(shown.get('.headline').text()).toContain('75 % printed')
    expect(shown.get('.headline').text()).toContain('25 % keeping alive')
    expect(shown.get('canvas').attributes('aria-label')).toContain('month by month')
  })

  it('names every cause when asked, and leaves out what only came in', async () => {
    const shown = await view()
    const heads = () => shown.findAll('th').map((th) => th.text())
    expect(heads()).not.toContain('cleanings')
    await shown.get('input[type=checkbox]').setValue(true)
    expect(heads()).toContain('cleanings')
    expect(heads()).not.toContain('bought')
    expect(shown.text()).not.toContain('no machine')
  })

  it('asks again for other months, and takes the same along as a table', async () => {
    const shown = await view()
    await shown.get('select[aria-label=From]').setValue('2026-08')
    await flushPromises()
    expect(sent.filter((s) => s.what === 'GET /api/books')).toHaveLength(2)
    expect(shown.get('a[download]').attributes('href')).toBe('/api/books.csv?from=2026-08')
  })
})
