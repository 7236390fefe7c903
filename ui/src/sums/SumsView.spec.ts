import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { refusal, standInServer } from '../api/server.testing'
import { loadShop } from '../shell/shop'
import SumsView from './SumsView.vue'

const answers: Record<string, unknown> = {
  'GET /api/reckoning/tube': { holds: 5.8, exchanges: 4.605, through: 26.7 },
  'GET /api/reckoning/weight': { left: 100 },
  'POST /api/reckoning/place': { fits: false, problems: ['The table is 8 cm too narrow.'], remarks: [] },
}
standInServer(answers)

async function view() {
  const shown = mount(SumsView, { global: { stubs: { SumsParts: true } } })
  await flushPromises()
  return shown
}

describe('sums', () => {
  it('answers as it is typed, and waits for the whole of it', async () => {
    const shown = await view()
    expect(shown.text()).toContain('5.8 mL in all; 27 mL through it')
    await shown.get('#gross').setValue('131')
    await flushPromises()
    expect(shown.text()).toContain('Weigh it with its cap')
    await shown.get('#empty').setValue('26,0')
    await flushPromises()
    expect(shown.text()).toContain('100 mL are left in it.')
  })

  it('keeps the newest answer when an older one comes late', async () => {
    const late: (() => void)[] = []
    vi.stubGlobal('fetch', (request: Request) => {
      const asked = new URL(request.url)
      const empty = asked.searchParams.get('empty')
      if (empty === null) return Promise.resolve(Response.json(answers[`GET ${asked.pathname}`] ?? []))
      const answer = Response.json({ left: empty === '2' ? 123 : 100 })
      return empty === '2' ? new Promise((resolve) => late.push(() => resolve(answer))) : Promise.resolve(answer)
    })
    const shown = await view()
    await shown.get('#gross').setValue('131')
    await shown.get('#empty').setValue('2')
    await flushPromises()
    await shown.get('#empty').setValue('26')
    await flushPromises()
    expect(late).toHaveLength(1)
    late[0]?.()
    await flushPromises()
    expect(shown.text()).toContain('100 mL are left in it.')
  })

  it('says what is wrong with what was typed', async () => {
    answers['GET /api/reckoning/tube'] = refusal('The bore must be more than nothing.', 'bore')
    const shown = await view()
    await shown.get('#bore').setValue('0')
    await flushPromises()
    expect(shown.text()).toContain('The bore must be more than nothing.')
  })

  it('does not say that it fits before all is measured', async () => {
    const shown = await view()
    await shown.get('form').trigger('submit')
    expect(shown.text()).toContain('Measure all of them first.')
    for (const input of shown.findAll('form input')) await input.setValue('60')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(shown.text()).toMatch(/It does not fit\.[\s\S]*8 cm too narrow/)
  })

  it('asks in inches and fluid ounces where the shop reads them, and sends mm and mL', async () => {
    answers['GET /api/shop'] = {
      now: '2026-12-01T10:00:00Z',
      settings: { volumeUnit: 'fl oz', lengthUnit: 'inch', currency: 'USD', zone: 'UTC' },
    }
    answers['GET /api/reckoning/tube'] = { holds: 5.8, exchanges: 4.605, through: 26.7 }
    await loadShop()
    const asked = vi.spyOn(globalThis, 'fetch')
    const shown = await view()
    expect(shown.text()).toContain('bore, in')
    expect((shown.get('#bore').element as HTMLInputElement).value).toBe('0.08')
    await shown.get('#bore').setValue('0.1')
    await flushPromises()
    const last = new URL((asked.mock.lastCall?.[0] as Request).url).searchParams
    expect(Number(last.get('boreMm'))).toBeCloseTo(2.54, 9)
    expect(shown.text()).toContain('0.2 fl oz in all')
    answers['GET /api/shop'] = { now: '2026-12-01T10:00:00Z', settings: { volumeUnit: 'mL', lengthUnit: 'mm' } }
    await loadShop()
  })
})
