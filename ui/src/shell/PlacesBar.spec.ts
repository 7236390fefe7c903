import { mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { reactive } from 'vue'
import PlacesBar from './PlacesBar.vue'
import { PLACES } from './places'

const route = reactive({ path: '/round/week', fullPath: '/round/week' })
vi.mock('vue-router', () => ({ useRoute: () => route }))

const bar = () =>
  mount(PlacesBar, { global: { stubs: { RouterLink: { props: ['to'], template: '<a :href="to"><slot /></a>' } } } })

describe('places under the thumb', () => {
  it('says where one is, below it too', () => {
    expect(bar().find('[aria-current=page]').text()).toBe('Round')
  })

  it('has every place: those of the bench at once, the rest behind one sign', async () => {
    const shown = bar()
    const places = () => shown.findAll('a').map((a) => a.attributes('href'))
    expect(places()).toEqual(['/', '/round', '/checks', '/clinic'])
    await shown.find('button').trigger('click')
    expect(places().sort()).toEqual(PLACES.map((p) => p.to).sort())
  })

  it('folds away when one has gone somewhere', async () => {
    const shown = bar()
    await shown.find('button').trigger('click')
    route.fullPath = '/shelf'
    await shown.vm.$nextTick()
    expect(shown.find('.more').exists()).toBe(false)
  })
})
