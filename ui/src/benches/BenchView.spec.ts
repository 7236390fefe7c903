import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Schemas } from '../api/client'
import { standInServer } from '../api/server.testing'
import BenchView from './BenchView.vue'

let onBench: Schemas['PlateJson'][] = []
const bench = {
  get benches() {
    return ['Window bench', 'Back bench']
  },
  get machines() {
    return onBench
  },
}
standInServer({ 'GET /api/bench': bench, 'GET /api/due': [] })

function machines(count: number, want = 0) {
  onBench = Array.from(
    { length: count },
    (_, i) =>
      ({
        id: i + 1,
        name: `Plant ${i + 1}`,
        bench: i % 2 ? 'Back bench' : 'Window bench',
        family: 'sublimation',
        profile: 'small tank',
        channels: [],
        attention: {
          kind: i < want ? 'CHECK' : 'NOTHING',
          words: i < want ? 'Nozzle check' : 'Nothing now',
          why: '',
          urgency: 1,
        },
      }) as unknown as Schemas['PlateJson'],
  )
}

async function seen(wide = true) {
  vi.stubGlobal('matchMedia', () => ({ matches: !wide }))
  const view = mount(BenchView, {
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' }, RoomPlate: true, SimulatedBench: true } },
  })
  await flushPromises()
  return view
}

beforeEach(() => machines(0))

describe('the benches', () => {
  it('ask for a first machine where there is none', async () => {
    expect((await seen()).text()).toContain('Put your first machine on the bench')
  })

  it('show each machine with its vessels', async () => {
    machines(9)
    const view = await seen()
    expect(view.findAll('article.machine')).toHaveLength(9)
    expect(view.findAll('article.line')).toHaveLength(0)
  })

  it('tell many machines in lines, and lead to those that want something', async () => {
    machines(24, 3)
    const view = await seen()
    expect(view.findAll('article.line')).toHaveLength(24)
    expect(view.findAll('article.line .go')).toHaveLength(3)
    expect(view.text()).toContain('12 machines')
  })

  it('fold the benches in a hand, and say on which somebody is wanted', async () => {
    machines(24, 3)
    const view = await seen(false)
    expect(view.findAll('details.board summary').map((s) => s.text())).toEqual([
      expect.stringContaining('2 want you'),
      expect.stringContaining('1 wants you'),
    ])
  })
})
