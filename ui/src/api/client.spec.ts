import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { pick } from '../shell/person'
import { api, newKey, problemOf } from './client'

const fetched: Request[] = []

function answer(...answers: (() => Response)[]) {
  let call = 0
  vi.stubGlobal('fetch', async (request: Request) => {
    fetched.push(request)
    const next = answers[Math.min(call++, answers.length - 1)]
    if (!next) throw new Error('no answer')
    return next()
  })
}
const gone = (): Response => {
  throw new TypeError('Failed to fetch')
}
const ok = () => Response.json([])

beforeEach(() => {
  fetched.length = 0
  vi.useFakeTimers()
})
afterEach(() => {
  vi.unstubAllGlobals()
  vi.useRealTimers()
})

describe('a write', () => {
  const post = () => api.POST('/api/hob', { body: { label: 'soak', minutes: 5 } })

  it('carries a key of its own and who is at the bench', async () => {
    pick(7)
    answer(ok)
    await post()
    await post()
    const keys = fetched.map((r) => r.headers.get('Idempotency-Key'))
    expect(keys[0]).toMatch(/^[0-9a-f]{32}$/)
    expect(keys[1]).not.toBe(keys[0])
    expect(fetched[0]?.headers.get('Kettle-Person')).toBe('7')
    pick(undefined)
  })

  it('is tried again with the same key when the Wi-Fi drops', async () => {
    answer(gone, gone, ok)
    const done = post()
    await vi.runAllTimersAsync()
    expect((await done).error).toBeUndefined()
    expect(fetched).toHaveLength(3)
    expect(new Set(fetched.map((r) => r.headers.get('Idempotency-Key'))).size).toBe(1)
  })
})

describe('a look', () => {
  it('ends in a problem like any other when the kettle stays silent', async () => {
    answer(gone)
    const done = api.GET('/api/hob')
    await vi.runAllTimersAsync()
    expect(problemOf((await done).error)).toMatchObject({
      status: 503,
      detail: expect.stringContaining('does not answer'),
    })
    expect(fetched).toHaveLength(4)
  })
})

it('reads carry no key', async () => {
  answer(ok)
  await api.GET('/api/hob')
  expect(fetched[0]?.headers.has('Idempotency-Key')).toBe(false)
})

it('keys never repeat', () => {
  expect(new Set(Array.from({ length: 1000 }, newKey)).size).toBe(1000)
})

it('what is no problem document becomes one', () => {
  expect(problemOf(undefined).detail).toContain('not with you')
  expect(problemOf({ status: 422, detail: 'No.' })).toEqual({ status: 422, detail: 'No.' })
})
