import { createMemoryHistory, createRouter } from 'vue-router'
import { describe, expect, it } from 'vitest'
import { fetchAhead } from './ahead'

const page = { template: '<p>page</p>' }

describe('pages ahead', () => {
  it('are fetched one after the other, and one that cannot be had holds up none', async () => {
    const fetched: string[] = []
    const lazy =
      (name: string, well = true) =>
      () => {
        fetched.push(name)
        return well ? Promise.resolve(page) : Promise.reject(new Error('away'))
      }
    const router = createRouter({
      history: createMemoryHistory(),
      routes: [
        { path: '/', component: page },
        { path: '/one', component: lazy('one', false) },
        { path: '/two', component: page, children: [{ path: 'part', component: lazy('part of two') }] },
        { path: '/gone', redirect: '/' },
      ],
    })
    await router.push('/')
    await fetchAhead(router, () => Promise.resolve())
    expect(fetched.sort()).toEqual(['one', 'part of two'])
  })
})
