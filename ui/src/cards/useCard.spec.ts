import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h, ref } from 'vue'
import { NoStream } from '../api/server.testing'
import { kept } from '../api/useServer'
import { useCard } from './useCard'

let served: { version: number; answer?: () => Response }
const asked: string[] = []

beforeEach(() => {
  served = { version: 1 }
  asked.length = 0
  kept.clear()
  vi.stubGlobal('EventSource', NoStream)
  vi.stubGlobal('fetch', async (request: Request) => {
    asked.push(`${request.method} ${new URL(request.url).pathname.split('/').pop()}`)
    return served.answer?.() ?? Response.json({ id: 3, version: served.version, steps: [] })
  })
})
afterEach(() => vi.unstubAllGlobals())

function useOnScreen(id: () => number = () => 3) {
  let card!: ReturnType<typeof useCard>
  mount(
    defineComponent({
      setup() {
        card = useCard(id)
        return () => h('div')
      },
    }),
  )
  return card
}

describe('a card on a screen', () => {
  it('is fetched and shown', async () => {
    const screen = useOnScreen()
    await flushPromises()
    expect(screen.card.value?.version).toBe(1)
  })

  it('sends acts in the order of the taps, one at a time', async () => {
    const screen = useOnScreen()
    await flushPromises()
    asked.length = 0
    served.version = 2
    await Promise.all([screen.enter('pull', 'K/0', '60'), screen.enter('pull', 'K/2', 'yes'), screen.finish('pull')])
    expect(asked).toEqual(['POST enter', 'POST enter', 'POST finish'])
    expect(screen.busy.value).toBe(false)
  })

  it('sends a tap to the card it was made on, though another is on the screen by then', async () => {
    const paths: string[] = []
    vi.stubGlobal('fetch', async (request: Request) => {
      const path = new URL(request.url).pathname
      paths.push(`${request.method} ${path}`)
      return Response.json({ id: Number(path.split('/')[3]), version: 1, steps: [] })
    })
    const id = ref(3)
    const card = useOnScreen(() => id.value)
    await flushPromises()
    const first = card.finish('pull')
    const second = card.finish('rinse')
    id.value = 4
    await Promise.all([first, second])
    await flushPromises()
    expect(paths.filter((p) => p.startsWith('POST'))).toEqual(['POST /api/cards/3/finish', 'POST /api/cards/3/finish'])
    expect(card.card.value?.id).toBe(4)
  })

  it('never shows an older card after a newer one', async () => {
    const screen = useOnScreen()
    served.version = 5
    await screen.finish('pull')
    served.version = 4
    await screen.finish('rinse')
    expect(screen.card.value?.version).toBe(5)
  })

  it('keeps a refusal until the next act goes well', async () => {
    const screen = useOnScreen()
    await flushPromises()
    served.answer = () => Response.json({ status: 422, detail: 'Not yet.' }, { status: 422 })
    expect(await screen.finish('pull')).toBe(false)
    expect(screen.problem.value?.detail).toBe('Not yet.')
    served.answer = undefined
    expect(await screen.finish('pull')).toBe(true)
    expect(screen.problem.value).toBeUndefined()
  })
})
