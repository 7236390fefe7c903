import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { refusal, standInServer } from '../api/server.testing'
import { achieved } from './fare'
import FareView from './FareView.vue'

const group = (label: string, looks: number, struck: number) => ({
  label,
  looks,
  struck,
  share: looks ? struck / looks : 0,
  each: struck,
})
const answers: Record<string, unknown> = {
  'GET /api/books/worth': [
    {
      machine: 4,
      name: 'Thistle',
      sheets: 0,
      brought: 0,
      saved: 170,
      hands: 2500,
      ink: 0,
      parts: 0,
      verdict: 'PARK',
      words: 'park it on fluid',
      reasons: ['One case in that time, one day ill.'],
    },
  ],
  'GET /api/books/clogging': { byIdleness: [group('2 days', 4, 1), group('longer', 0, 0)], byDryness: [] },
  'GET /api/clinic': { open: [], ended: [], learned: [] },
}
standInServer(answers)

async function shown() {
  const view = mount(FareView, {
    global: { stubs: { RouterLink: { template: '<a><slot /></a>' }, LogParts: true, StackedBars: true } },
  })
  await flushPromises()
  return view
}

describe('how machines fare', () => {
  it('says of each machine whether it is worth keeping, and why', async () => {
    const line = (await shown()).get('tbody tr').text()
    expect(line).toContain('Thistle')
    expect(line).toContain('park it on fluid')
    expect(line).toContain('It printed nothing for a customer. One case')
  })

  it('says every figure of a picture in a table, and nothing where nobody looked', async () => {
    const rows = (await shown()).findAll('.halves tbody tr').map((r) => r.text())
    expect(rows[0]).toContain('1 (25 %)')
    expect(rows[1]).toBe('longer0––')
  })

  it('says that nothing was tried yet, and what went wrong', async () => {
    expect((await shown()).text()).toContain('No case has ended here yet')
    answers['GET /api/books/worth'] = refusal('The books are shut.', '')
    expect((await shown()).get('[role=alert]').text()).toBe('The books are shut.')
  })

  it('adds a treatment up over machines and inks', () => {
    const one = { treatment: 'Cleaning', worked: 1, times: 3 }
    expect(achieved([one, { ...one, worked: 2 }, { treatment: 'Soak', worked: 0, times: 0 }])).toEqual([
      { treatment: 'Cleaning', worked: 3, times: 6 },
    ])
  })
})
