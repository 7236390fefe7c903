import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { refusal, standInServer } from '../api/server.testing'
import BuyingView from './BuyingView.vue'

const cyan = 'ink/SUBLIMATION/C/own'
const article = {
  key: cyan,
  label: 'sublimation C, own',
  liquid: true,
  own: false,
  left: 40,
  inMachines: 20,
  onTheWay: 0,
  due: 0,
  minimum: 50,
  reserve: 15,
  perWeek: 7,
  users: ['Bramble', 'Sorrel'],
  earliest: '2026-12-20',
  expected: '2027-01-10',
  latest: '2027-02-01',
  orderBy: '2020-01-01',
  low: true,
  sold: true,
}
const purchase = {
  id: 4,
  supplier: 'Harrow Lane',
  madeAt: '2026-11-30T10:00:00Z',
  state: 'ORDERED',
  lines: [
    {
      offer: 9,
      name: 'C, 100 mL',
      contents: [{ article: cyan, label: 'sublimation C, own', each: 100 }],
      count: 2,
      price: 2400,
      came: 0,
    },
  ],
  postage: 300,
  total: 2700,
}
const answers: Record<string, unknown> = {}
const sent = standInServer(answers)

async function view(more: object = {}) {
  answers['GET /api/buying'] = { today: '2026-12-01', articles: [article], suppliers: [], purchases: [], ...more }
  answers['GET /api/buying/proposal'] = {
    orders: [
      {
        supplier: 2,
        name: 'Harrow Lane',
        lines: [{ offer: 9, name: 'C, 100 mL', count: 1, price: 1200 }],
        goods: 1200,
        postage: 300,
        total: 1500,
      },
    ],
    total: 1500,
    over: [{ label: 'sublimation C, own', amount: 12, liquid: true }],
    missing: ['moonlight'],
  }
  const shown = mount(BuyingView, {
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' }, ShelfParts: true } },
  })
  await flushPromises()
  return shown
}
const button = (shown: Awaited<ReturnType<typeof view>>, words: string) =>
  shown.findAll('button').find((b) => b.text() === words)!

describe('to buy', () => {
  it('says what is low, how long it lasts, and who shares it', async () => {
    const text = (await view()).text()
    expect(text).toContain('now: it is low')
    expect(text).toContain('20 Dec 2026 – 1 Feb 2027')
    expect(text).toContain('Bramble, Sorrel')
    expect(text).toContain('Nobody is known who sells enough of moonlight.')
  })

  it('orders what it proposed, once', async () => {
    const shown = await view()
    answers['POST /api/purchases'] = { today: '2026-12-01', articles: [article], suppliers: [], purchases: [purchase] }
    await Promise.all([
      button(shown, 'It is ordered').trigger('click'),
      button(shown, 'It is ordered').trigger('click'),
    ])
    await flushPromises()
    const orders = sent.filter((s) => s.what === 'POST /api/purchases')
    expect(orders).toHaveLength(1)
    expect(orders[0]?.body).toEqual({ supplier: 2, lines: [{ offer: 9, count: 1 }] })
    expect(shown.text()).toContain('No. 4, Harrow Lane')
  })

  it('asks for the code of every bottle that came, and says at its field what is missing', async () => {
    const shown = await view({ purchases: [purchase] })
    await button(shown, 'It came').trigger('click')
    answers['POST /api/purchases/4/came'] = refusal('Copy the code that stands on the bottle.', cyan)
    await shown.get('form.came').trigger('submit')
    await flushPromises()
    expect(shown.get('[role=alert]').text()).toContain('Copy the code')
    await shown.get(`[id="code-4-${cyan}"]`).setValue('LOT-7')
    answers['POST /api/purchases/4/came'] = { today: '2026-12-01', articles: [article], suppliers: [], purchases: [] }
    await shown.get('form.came').trigger('submit')
    await flushPromises()
    expect(sent.at(-1)?.what === 'POST /api/purchases/4/came' || sent.some((s) => s.what.endsWith('came'))).toBe(true)
    const last = sent.filter((s) => s.what === 'POST /api/purchases/4/came').at(-1)
    expect(last?.body).toEqual({ lines: [{ offer: 9, count: 2, codes: { [cyan]: 'LOT-7' } }] })
  })

  it('takes a minimum with a comma, in mL', async () => {
    const shown = await view()
    await button(shown, 'Change').trigger('click')
    await shown.get(`[id="min-${cyan}"]`).setValue('62,5')
    answers['PUT /api/buying/articles'] = { today: '2026-12-01', articles: [article], suppliers: [], purchases: [] }
    await shown.get('.changing form').trigger('submit')
    await flushPromises()
    expect(sent.find((s) => s.what === 'PUT /api/buying/articles')?.body).toEqual({
      article: cyan,
      minimum: 62.5,
      reserve: 15,
    })
  })
})
