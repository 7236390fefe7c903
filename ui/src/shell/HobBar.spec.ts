import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { standInServer } from '../api/server.testing'
import HobBar from './HobBar.vue'

vi.mock('vue-router', () => ({ useRouter: () => ({ push: vi.fn() }) }))

const wait = (id: number, label: string) => ({
  id,
  label,
  startedAt: '2026-11-25T09:00:00Z',
  readyAt: '2099-01-01T00:00:00Z',
})
const answers: Record<string, unknown> = { 'GET /api/cards/next': [] }
standInServer(answers)

async function hob(labels: string[]) {
  answers['GET /api/hob'] = labels.map((label, i) => wait(i, label))
  const shown = mount(HobBar, { global: { stubs: { RouterLink: true, BModal: true } } })
  await flushPromises()
  return shown
}

describe('the hob', () => {
  it('counts the waits that have no room, and shows them when asked', async () => {
    const shown = await hob(['soak', 'rest', 'press', 'dry', 'settle', 'cure', 'cool'])
    expect(shown.find('.at-desk').text()).toBe('+ 2 waiting')
    expect(shown.find('.in-hand').text()).toBe('+ 5 waiting')
    expect(shown.find('ul').classes()).not.toContain('all')
    await shown.find('.at-desk').trigger('click')
    expect(shown.find('ul').classes()).toContain('all')
    expect(shown.find('.at-desk').text()).toBe('Fewer')
  })

  it('has no such sign while all of them have room', async () => {
    const shown = await hob(['soak', 'rest'])
    expect(shown.find('.at-desk').attributes('style')).toContain('display: none')
    expect(shown.find('.in-hand').attributes('style')).toContain('display: none')
  })
})
