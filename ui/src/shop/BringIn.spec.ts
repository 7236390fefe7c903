import { flushPromises, mount } from '@vue/test-utils'
import { createMemoryHistory, createRouter } from 'vue-router'
import { describe, expect, it } from 'vitest'
import { refusal, standInServer } from '../api/server.testing'
import BringIn from './BringIn.vue'

const answers: Record<string, unknown> = {}
const sent = standInServer(answers)
const router = createRouter({ history: createMemoryHistory(), routes: [{ path: '/:rest(.*)*', component: BringIn }] })

async function page(kind = '') {
  await router.push(`/shop/bring-in${kind ? `?kind=${kind}` : ''}`)
  return mount(BringIn, { global: { plugins: [router] } })
}
async function lookAt(shown: ReturnType<typeof mount>, text: string) {
  await shown.get('textarea').setValue(text)
  await shown
    .findAll('button')
    .find((b) => b.text() === 'Look at it')!
    .trigger('click')
  await flushPromises()
}
const taking = (shown: ReturnType<typeof mount>) => shown.findAll('button').find((b) => b.text().startsWith('Bring in'))

describe('a file from before', () => {
  it('is shown row by row, and comes in by one tap', async () => {
    const rows = [
      { row: 1, fate: 'NEW', told: 'Burdock' },
      { row: 2, fate: 'KNOWN', told: 'Bramble is on a bench already' },
    ]
    answers['POST /api/bring-in/preview'] = { taken: false, fresh: 1, known: 1, refused: 0, rows }
    answers['POST /api/bring-in'] = { taken: true, fresh: 1, known: 1, refused: 0, rows }
    const shown = await page()
    await lookAt(shown, 'name,bench,profile\nBurdock,A,x\nBramble,A,x')
    expect(shown.get('[role=status]').text()).toBe('1 machine will come in, one stays as it is.')
    await taking(shown)!.trigger('click')
    await flushPromises()
    expect(sent.map((s) => s.what)).toEqual(['POST /api/bring-in/preview', 'POST /api/bring-in'])
    expect(shown.get('[role=status]').text()).toBe('1 machine came in.')
    expect(taking(shown)).toBeUndefined()
  })

  it('comes in whole or not at all', async () => {
    const rows = [{ row: 2, fate: 'REFUSED', told: 'There is nothing under “name”.' }]
    answers['POST /api/bring-in/preview'] = { taken: false, fresh: 0, known: 0, refused: 1, rows }
    const shown = await page('NOTES')
    await lookAt(shown, 'x')
    expect(shown.get('[role=status]').text()).toContain('1 note cannot come in')
    expect(shown.text()).toContain('There is nothing under “name”.')
    expect(taking(shown)).toBeUndefined()
  })

  it('that is no table says why, and is forgotten once another is typed', async () => {
    answers['POST /api/bring-in/preview'] = refusal('Its first line must name the columns.', 'text')
    const shown = await page('READINGS')
    await lookAt(shown, 'hello')
    expect(shown.get('[role=alert]').text()).toContain('first line must name')
    await shown.get('textarea').setValue('time;temperature;humidity')
    expect(shown.find('[role=alert]').exists()).toBe(false)
  })
})
