import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { standInServer } from '../api/server.testing'
import LogList from './LogList.vue'

const entry = (id: number, words: string, more = {}) => ({
  id,
  at: '2026-11-30T09:57:00Z',
  kind: 'upkeep',
  words,
  person: 'Wren',
  struckOut: false,
  strikeable: true,
  ...more,
})
const answers: Record<string, unknown> = {}
standInServer(answers)

async function show(entries: unknown[], older?: number) {
  answers['GET /api/log'] = { entries, older, kinds: [] }
  const list = mount(LogList, {
    props: { asked: {} },
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' }, StrikeDialog: true } },
  })
  await flushPromises()
  return list
}

describe('the log', () => {
  it('says once what was done to every channel, and shows it one by one when asked', async () => {
    const list = await show(['Y', 'M', 'C', 'K'].map((c, i) => entry(9 - i, `Bramble: Purge sheet, ${c}`)))
    expect(list.findAll('.log > li')).toHaveLength(1)
    expect(list.text()).toContain('Bramble: Purge sheet, K C M Y')
    await list
      .findAll('button')
      .find((b) => b.text() === 'One by one')
      ?.trigger('click')
    expect(list.findAll('.log > li')).toHaveLength(5)
    expect(list.findAll('[aria-label^="Strike out: Bramble: Purge sheet"]')).toHaveLength(4)
  })

  it('shows a screen or two, and more when somebody goes on', async () => {
    const list = await show(Array.from({ length: 60 }, (_, i) => entry(100 - i, `Bramble: wiped ${i}`)))
    const before = list.findAll('.log > li').length
    expect(before).toBeLessThan(60)
    await list
      .findAll('button')
      .find((b) => b.text() === 'Older')
      ?.trigger('click')
    await flushPromises()
    expect(list.findAll('.log > li').length).toBeGreaterThan(before)
  })

  it('says that nothing is written yet', async () => {
    expect((await show([])).text()).toContain('Nothing is written here yet.')
  })
})
