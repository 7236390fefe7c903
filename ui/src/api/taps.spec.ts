import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import AwayBar from '../shell/AwayBar.vue'
import { api, problemOf, sendKept } from './client'
import { NoStream } from './server.testing'
import * as taps from './taps'

let within: boolean
let refusing: boolean
let outage: string | undefined
const heard: { path: string; key: string | null; body: string }[] = []

beforeEach(() => {
  within = true
  refusing = false
  outage = undefined
  heard.length = 0
  localStorage.clear()
  vi.useFakeTimers()
  vi.stubGlobal('EventSource', NoStream)
  vi.stubGlobal('fetch', async (request: Request) => {
    if (!within) throw new TypeError('Failed to fetch')
    if (outage)
      return Response.json({ status: 503, type: `/problems/${outage}`, detail: 'It is gone.' }, { status: 503 })
    heard.push({
      path: new URL(request.url).pathname,
      key: request.headers.get('Idempotency-Key'),
      body: await request.text(),
    })
    if (refusing) return Response.json({ status: 422, detail: 'That soak is over.' }, { status: 422 })
    return Response.json({ id: 3, version: 1, steps: [] })
  })
  document.body.innerHTML = '<h1>Bramble</h1><button>Done</button>'
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

const tap = () => document.querySelector('button')!.click()
const finish = (step: string) =>
  api.POST('/api/cards/{card}/finish', { params: { path: { card: 3 } }, body: { step, accept: undefined } })
const bar = () => mount(AwayBar)

describe('a tap that the kettle does not hear', () => {
  it('is kept and shown in the words of its button, and sent when the kettle is back', async () => {
    within = false
    tap()
    const done = finish('pull')
    await vi.advanceTimersByTimeAsync(60_000)
    const shown = bar()
    expect(shown.text()).toContain('1 tap is kept here')
    expect(shown.text()).toContain('“Done” · Bramble')
    within = true
    await vi.advanceTimersByTimeAsync(10_000)
    expect((await done).error).toBeUndefined()
    expect(heard).toHaveLength(1)
    expect(shown.text()).toBe('')
    expect(localStorage).toHaveLength(0)
  })

  it.each(['database', 'disk'])('is kept too while the kettle has no %s to keep it in', async (what) => {
    outage = what
    tap()
    const done = finish('pull')
    await vi.advanceTimersByTimeAsync(60_000)
    const shown = bar()
    expect(shown.text()).toContain('1 tap is kept here')
    await api.GET('/api/people')
    expect(shown.text()).toContain('It is gone.')
    outage = undefined
    await vi.advanceTimersByTimeAsync(10_000)
    expect((await done).error).toBeUndefined()
    expect(heard.filter((h) => h.path.endsWith('/finish'))).toHaveLength(1)
    expect(shown.text()).toBe('')
  })

  it('is answered at once where too many read pictures: that is no outage', async () => {
    outage = 'busy'
    expect((await finish('pull')).error).toMatchObject({ type: '/problems/busy' })
  })

  it('is sent once, in its place, after ten minutes off the network in the middle of a card', async () => {
    expect((await finish('pull')).error).toBeUndefined()
    within = false
    const all = []
    for (const step of ['rinse', 'fill', 'cap']) {
      tap()
      all.push(finish(step))
      await vi.advanceTimersByTimeAsync(200_000) // the hands go on meanwhile
    }
    const shown = bar()
    expect(shown.text()).toContain('3 taps are kept here')
    within = true
    await vi.advanceTimersByTimeAsync(10_000)
    expect((await Promise.all(all)).every(({ error }) => error === undefined)).toBe(true)
    expect(heard.map((h) => (JSON.parse(h.body) as { step: string }).step)).toEqual(['pull', 'rinse', 'fill', 'cap'])
    expect(new Set(heard.map((h) => h.key)).size).toBe(4)
    expect(shown.text()).toBe('')
  })

  it.each(['/api/session', '/api/session/pin', '/api/sessions', '/api/access/3', '/api/devices'])(
    'is never written down if it opens the shop: %s',
    async (path) => {
      within = false
      void taps.send(new Request(new URL(path, location.href), { method: 'POST', body: '{}' }))
      await vi.advanceTimersByTimeAsync(10_000)
      expect(localStorage).toHaveLength(0)
      taps.taps.value.forEach(taps.drop)
    },
  )

  it('keeps its place before those that were tapped after it', async () => {
    within = false
    const all = [finish('pull'), finish('rinse'), finish('fill')]
    await vi.advanceTimersByTimeAsync(5_000)
    expect(bar().text()).toContain('3 taps are kept here')
    within = true
    await vi.advanceTimersByTimeAsync(10_000)
    await Promise.all(all)
    expect(heard.map((h) => (JSON.parse(h.body) as { step: string }).step)).toEqual(['pull', 'rinse', 'fill'])
  })

  it('is not sent once it is a day old, for the kettle may have forgotten that it heard it', async () => {
    within = false
    const done = finish('pull')
    await vi.advanceTimersByTimeAsync(25 * 60 * 60_000)
    within = true
    await vi.advanceTimersByTimeAsync(10_000)
    expect(problemOf((await done).error).detail).toContain('older than a day')
    expect(heard).toEqual([])
    expect(localStorage).toHaveLength(0)
  })

  it('is kept in memory alone if it is a secret, and does not show it', async () => {
    within = false
    document.body.innerHTML = '<h1>Bramble</h1><input aria-label="code">'
    const field = document.querySelector('input')!
    field.value = 'QM-1-2-3'
    field.dispatchEvent(new Event('change', { bubbles: true }))
    const done = api.PUT('/api/machines/{machine}/activation-code', {
      params: { path: { machine: 3 } },
      body: { code: 'QM-1-2-3', origin: 'a made-up seller' },
    })
    await vi.advanceTimersByTimeAsync(5_000)
    expect(bar().text()).toContain('“What was done” · Bramble')
    expect(bar().text()).not.toContain('QM-1-2-3')
    expect(localStorage).toHaveLength(0)
    within = true
    await vi.advanceTimersByTimeAsync(10_000)
    await done
    expect(heard).toHaveLength(1)
  })

  it('stays in memory where the browser keeps nothing', async () => {
    within = false
    const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    const done = finish('pull')
    await vi.advanceTimersByTimeAsync(5_000)
    expect(bar().text()).toContain('1 tap is kept here')
    within = true
    await vi.advanceTimersByTimeAsync(10_000)
    expect((await done).error).toBeUndefined()
    full.mockRestore()
  })

  it('can be let go of', async () => {
    within = false
    const done = finish('pull')
    await vi.advanceTimersByTimeAsync(5_000)
    const shown = bar()
    await shown.get('[data-tap] button').trigger('click')
    expect(problemOf((await done).error).detail).toContain('not sent again')
    within = true
    await vi.advanceTimersByTimeAsync(60_000)
    expect(heard).toEqual([])
    expect(shown.text()).toBe('')
  })
})

describe('a page that is loaded again', () => {
  async function leftBehind() {
    within = false
    tap()
    const left = finish('pull')
    await vi.advanceTimersByTimeAsync(5_000)
    const stored = localStorage.getItem('kettle.taps')!
    await bar().get('[data-tap] button').trigger('click') // the page is gone, and with it who waited
    await left
    localStorage.setItem('kettle.taps', stored)
    within = true
    return JSON.parse(stored) as { key: string }[]
  }

  it('sends what was kept, under the key that it had', async () => {
    const [kept] = await leftBehind()
    await sendKept()
    expect(heard).toEqual([{ path: '/api/cards/3/finish', key: kept!.key, body: '{"step":"pull"}' }])
    expect(localStorage).toHaveLength(0)
  })

  it('sends nothing that is older than a day, and says so', async () => {
    await leftBehind()
    vi.setSystemTime(Date.now() + 25 * 60 * 60_000)
    await sendKept()
    expect(heard).toEqual([])
    expect(bar().text()).toContain('older than a day')
    expect(localStorage).toHaveLength(0)
    await bar().get('button').trigger('click')
  })

  it('tells what was refused, until that is seen', async () => {
    await leftBehind()
    refusing = true
    await sendKept()
    const shown = bar()
    await flushPromises()
    expect(shown.text()).toContain('“Done” · Bramble')
    expect(shown.text()).toContain('That soak is over.')
    await shown.get('button').trigger('click')
    expect(shown.text()).toBe('')
  })
})
