import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { refusal, standInServer } from '../api/server.testing'
import SuppliersView from './SuppliersView.vue'

const cyan = 'ink/SUBLIMATION/C/own'
const offer = (id: number, name: string, perUnit: Record<string, number>) => ({
  id,
  name,
  contents: [{ article: cyan, label: 'sublimation C, own', each: 100 }],
  tiers: [
    { from: 1, price: 1200 },
    { from: 4, price: 1100 },
  ],
  perUnit,
})
const quay = {
  id: 2,
  name: 'Far Quay',
  leadDays: 14,
  postage: 1250,
  zone: 'Asia/Tokyo',
  opens: '09:00:00',
  closes: '17:00:00',
  hereFrom: '00:00:00',
  hereTo: '08:00:00',
  notes: '',
  offers: [offer(3, 'C, 250 mL plain', { [cyan]: 7 })],
}
const lane = {
  ...quay,
  id: 1,
  name: 'Lane',
  zone: 'UTC',
  freeFrom: 6000,
  offers: [offer(4, 'C, 100 mL', { [cyan]: 12 })],
}
const all = {
  today: '2026-12-01',
  articles: [{ key: cyan, label: 'sublimation C, own', liquid: true }],
  suppliers: [lane, quay],
  purchases: [],
}
const answers: Record<string, unknown> = {}
const sent = standInServer(answers)

async function view() {
  answers['GET /api/buying'] = all
  const shown = mount(SuppliersView, { global: { stubs: { ShelfParts: true } } })
  await flushPromises()
  return shown
}

describe('suppliers', () => {
  it('tells their hours by the clock here, and what one mL costs, the cheapest first', async () => {
    const shown = await view()
    expect(shown.text()).toContain('09:00–17:00 there, 00:00–08:00 here')
    expect(shown.text()).toContain('free from £60.00')
    const ranked = shown.findAll('.ranked > span').map((s) => s.text())
    expect(ranked[0]).toContain('GBP 0.0700 Far Quay')
    expect(ranked[1]).toContain('GBP 0.120 Lane')
  })

  it('keeps a new one, and says at its field what is wrong', async () => {
    const shown = await view()
    await shown.get('header button').trigger('click')
    await shown.get('#seller-name').setValue('Ribbon and Roll')
    await shown.get('#seller-free').setValue('40')
    answers['POST /api/suppliers'] = refusal('The time zone “Moon” is unknown.', 'zone')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(shown.get('[role=alert]').text()).toContain('Moon')
    answers['POST /api/suppliers'] = all
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(sent.filter((s) => s.what === 'POST /api/suppliers').at(-1)?.body).toMatchObject({
      name: 'Ribbon and Roll',
      freeFrom: 4000,
    })
    expect(shown.find('#seller-name').exists()).toBe(false)
  })

  it('takes an offer with a price that falls', async () => {
    const shown = await view()
    await shown
      .findAll('button')
      .find((b) => b.text() === 'They sell something more')!
      .trigger('click')
    await shown.get('#offer-name').setValue('C, 100 mL')
    await shown.get('select').setValue(cyan)
    await shown.get('[aria-label="How much of article 1"]').setValue('100')
    await shown.get('[aria-label="Price 1"]').setValue('12,50')
    answers['POST /api/suppliers/1/offers'] = all
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((s) => s.what === 'POST /api/suppliers/1/offers')?.body).toEqual({
      name: 'C, 100 mL',
      contents: [{ article: cyan, each: 100 }],
      tiers: [{ from: 1, price: 1250 }],
    })
  })
})
