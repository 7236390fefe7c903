import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import { standInServer } from './server.testing'
import { useServer, type Answer } from './useServer'

standInServer({})

type Thing = { id: number; words: string }
const id = ref(1)
let answers: Record<number, (answer: Answer<Thing>) => void>
let seen: ReturnType<typeof useServer<Thing>>

function onScreen() {
  mount(
    defineComponent({
      setup() {
        seen = useServer<Thing>(
          () => ['thing', id.value],
          () => {
            const asked = id.value
            return new Promise((answer) => (answers[asked] = answer))
          },
          () => ['thing'],
        )
        return () => h('div')
      },
    }),
  )
}

beforeEach(() => {
  id.value = 1
  answers = {}
})

describe('what the server says about one thing', () => {
  it('is fetched and kept under its key', async () => {
    onScreen()
    await flushPromises()
    expect(seen.data.value).toBeUndefined()
    answers[1]!({ data: { id: 1, words: 'first' } })
    await flushPromises()
    expect(seen.data.value?.words).toBe('first')
  })

  it('never shows a late answer in the place of another thing', async () => {
    onScreen()
    await flushPromises()
    id.value = 2
    await flushPromises()
    answers[2]!({ data: { id: 2, words: 'second' } })
    await flushPromises()
    answers[1]!({ data: { id: 1, words: 'late' } })
    await flushPromises()
    expect(seen.data.value?.words).toBe('second')
  })

  it('keeps what an act answered with the thing it was made on', async () => {
    onScreen()
    await flushPromises()
    answers[1]!({ data: { id: 1, words: 'before' } })
    await flushPromises()
    let answer!: (a: Answer<Thing>) => void
    const act = seen.act(() => new Promise((go) => (answer = go)))
    id.value = 2
    await flushPromises()
    answer({ data: { id: 1, words: 'after' } })
    expect(await act).toBe(true)
    expect(seen.data.value).toBeUndefined()
    id.value = 1
    await flushPromises()
    expect(seen.data.value?.words).toBe('after')
  })

  it('says why an act was refused, where it was made, until the next one', async () => {
    onScreen()
    await flushPromises()
    answers[1]!({ data: { id: 1, words: 'here' } })
    await flushPromises()
    expect(await seen.act(async () => ({ error: { status: 422, detail: 'Not yet.' } }))).toBe(false)
    expect(seen.problem.value?.detail).toBe('Not yet.')
    expect(seen.data.value?.words).toBe('here')
    id.value = 2
    expect(seen.problem.value).toBeUndefined()
    id.value = 1
    seen.forget()
    expect(seen.problem.value).toBeUndefined()
  })

  it('says why nothing could be fetched', async () => {
    onScreen()
    await flushPromises()
    answers[1]!({ error: { status: 404, detail: 'There is no such thing.' } })
    await vi.waitFor(() => expect(seen.problem.value?.detail).toBe('There is no such thing.'))
  })
})
