import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it } from 'vitest'
import { standInServer } from '../api/server.testing'
import { loadSession } from '../shell/session'
import ShopBackups from './ShopBackups.vue'

const copy = { id: 7, askedAt: '2026-12-01T03:00:00Z', server: 'window-desk:8640', file: 'a.tar', bytes: 2_900_000 }
const answers: Record<string, unknown> = {
  'GET /api/session': { closed: false, first: false, demo: false, pins: [] },
}
const sent = standInServer(answers)
const shown = async (all: object) => {
  answers['GET /api/backups'] = { possible: true, old: false, making: false, backups: [], ...all }
  const page = mount(ShopBackups)
  await flushPromises()
  return page
}

describe('copies of the shop', () => {
  beforeEach(() => loadSession())

  it('are made by one tap, and not while one is being made', async () => {
    const page = await shown({})
    expect(page.get('[role=status]').text()).toContain('none yet')
    answers['POST /api/backups'] = { ...(answers['GET /api/backups'] as object), making: true }
    await page.get('button').trigger('click')
    await flushPromises()
    expect(sent.filter((s) => s.what === 'POST /api/backups')).toHaveLength(1)
    expect(page.get('[role=status]').text()).toContain('being made')
    expect(page.get('button').attributes('disabled')).toBeDefined()
  })

  it('can be taken away once they were read back, where they lie', async () => {
    const proved = { ...copy, provedAt: '2026-12-01T03:02:00Z' }
    const page = await shown({
      provedAt: proved.provedAt,
      backups: [
        { ...proved, here: true },
        { ...proved, id: 6, here: false },
        { ...copy, id: 5, bytes: 9, said: 'its ink account does not balance.', here: true },
      ],
    })
    expect(page.findAll('.lines a').map((a) => a.attributes('href'))).toEqual(['/api/backups/7/file'])
    expect(page.text()).toContain('2.9 MB')
    expect(page.text()).toContain('its file is at window-desk:8640')
    expect(page.get('.lines .act').text()).toContain('does not balance')
  })

  it('are not promised where nobody can make them', async () => {
    const page = await shown({ possible: false })
    expect(page.find('button').exists()).toBe(false)
    expect(page.text()).toContain('./kettle backup FILE')
  })
})
