import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import { createMemoryHistory, createRouter } from 'vue-router'
import { standInServer } from '../api/server.testing'
import { loadShop } from '../shell/shop'
import ShopHouse from './ShopHouse.vue'
import ShopPrices from './ShopPrices.vue'
import ShopView from './ShopView.vue'

const settings = {
  name: 'Quillmere Rosettes',
  zone: 'Europe/London',
  currency: 'GBP',
  volumeUnit: 'mL',
  lengthUnit: 'mm',
  week: [{ day: 'MONDAY', open: '09:00:00', close: '17:00:00' }],
  holidays: ['2026-12-25'],
  schools: {},
  tolerances: {},
  inkBottles: [],
  fluidBottles: [],
  syringes: [],
  labourPerHour: 1200,
  wastePerLitre: 300,
  padPrice: 900,
  reserve: 10,
  wasteRule: '',
}
const shop = (more = {}, version = 3) => ({
  settings: { ...settings, ...more },
  version,
  people: [],
  schools: [],
  works: [],
  now: '2026-11-30T10:00:00Z',
  workshop: false,
})
const answers: Record<string, unknown> = {}
const sent = standInServer(answers)
const router = createRouter({
  history: createMemoryHistory(),
  routes: [
    { path: '/', component: { template: '<i />' } },
    {
      path: '/shop',
      component: ShopView,
      children: [
        { path: '', component: ShopHouse },
        { path: 'prices', component: ShopPrices },
        { path: ':other', component: { template: '<i />' } },
      ],
    },
  ],
})

async function open() {
  const page = mount({ template: '<RouterView />' }, { global: { plugins: [router] } })
  await router.push('/shop')
  await flushPromises()
  return page
}
type Page = Awaited<ReturnType<typeof open>>
const name = (page: Page) => page.get<HTMLInputElement>('#shop-name')
const button = (page: Page, words: string) => page.findAll('button').find((b) => b.text() === words)

beforeEach(async () => {
  answers['GET /api/shop'] = shop()
  answers['PUT /api/shop'] = shop({ name: 'Quillmere' }, 4)
  await loadShop()
})

describe('the shop’s settings', () => {
  it('keep what was typed while one looks at another part', async () => {
    const page = await open()
    await name(page).setValue('Quillmere')
    await router.push('/shop/prices')
    await flushPromises()
    expect(page.text()).toContain('Let it be as it was')
    await router.push('/shop')
    await flushPromises()
    expect(name(page).element.value).toBe('Quillmere')
    await button(page, 'Let it be as it was')?.trigger('click')
    await flushPromises()
    expect(name(page).element.value).toBe('Quillmere Rosettes')
  })

  it('are kept against the version that was read, and are no longer changed then', async () => {
    const page = await open()
    await name(page).setValue('Quillmere')
    await page.get('form').trigger('submit')
    await flushPromises()
    expect(sent.find((s) => s.what === 'PUT /api/shop')?.body).toMatchObject({ name: 'Quillmere' })
    expect(page.text()).toContain('Kept.')
    expect(button(page, 'Let it be as it was')).toBeUndefined()
  })

  it('do not lose what is being typed when another tablet changes the shop', async () => {
    const page = await open()
    await name(page).setValue('Quillmere')
    answers['GET /api/shop'] = shop({ name: 'From the other tablet' }, 4)
    await loadShop()
    await flushPromises()
    expect(name(page).element.value).toBe('Quillmere')
    await button(page, 'Let it be as it was')?.trigger('click')
    await flushPromises()
    expect(name(page).element.value).toBe('From the other tablet')
  })

  it('show times of the day in 24 hours and holidays as dates', async () => {
    const page = await open()
    expect(page.get<HTMLInputElement>('[aria-label="MONDAY opens"]').element.value).toBe('09:00')
    expect(page.text()).toContain('25 Dec 2026')
  })
})
