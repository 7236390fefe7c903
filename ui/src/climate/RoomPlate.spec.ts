import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it, vi } from 'vitest'
import { refusal, standInServer } from '../api/server.testing'
import RoomPlate from './RoomPlate.vue'

vi.mock('../shell/live', async (real) => ({
  ...(await real<typeof import('../shell/live')>()),
  useLive: () => undefined,
}))

const air = (hour: number, drying: number) => ({
  at: `2026-11-25T${String(hour).padStart(2, '0')}:00:00Z`,
  celsius: 24,
  humidity: 30,
  drying,
})
const sent = standInServer({
  'GET /api/climate': {
    now: air(12, 1.8),
    day: 1.7,
    advice: ['Flush caps and cap lines now.'],
    readings: [air(9, 1.6), air(12, 1.8)],
    days: [{ day: '2026-11-25', gaps: 3, looked: 2 }],
    machines: [{ id: 1, name: 'Bramble', since: '2026-11-24T09:00:00Z', drying: 1.65 }],
  },
  'POST /api/climate/readings': refusal('The humidity cannot be 140 %. Enter 0 to 100.', 'humidity'),
})

async function plate() {
  const shown = mount(RoomPlate, { props: { zone: 'UTC' } })
  await flushPromises()
  return shown
}

describe('the room', () => {
  it('says how warm, how humid, how quickly things dry, and what that asks for', async () => {
    const text = (await plate()).text()
    expect(text).toContain('24.0 °C')
    expect(text).toContain('30 %')
    expect(text).toContain('dries 1.7 × as fast as usual')
    expect(text).toContain('Flush caps')
    expect(text).toContain('1.65 × as fast')
  })

  it('takes a comma for a point, and shows why a reading was refused', async () => {
    const shown = await plate()
    await shown.get('input[aria-label="Temperature, °C"]').setValue('21,5')
    await shown.get('input[aria-label="Humidity, %"]').setValue('140')
    await shown.get('form').trigger('submit')
    await flushPromises()
    expect(sent.at(-1)?.body).toEqual({ celsius: 21.5, humidity: 140 })
    expect(shown.get('[role=alert]').text()).toContain('cannot be 140')
  })
})
