import { flushPromises, mount } from '@vue/test-utils'
import { expect, it } from 'vitest'
import { standInServer } from '../api/server.testing'
import type { Reading } from './useReading'
import TapCorners from './TapCorners.vue'

const sent = standInServer({ 'POST /api/readings/9/corners': { id: 10, looks: [], doubts: [] } })
const reading = { id: 9, picture: 'p', looks: [], doubts: [] } as unknown as Reading

it('asks for one corner after the other, and sends them in the picture’s own pixels', async () => {
  const shown = mount(TapCorners, { props: { reading, machine: 3, white: false } })
  const image = shown.get('img').element as HTMLImageElement
  Object.defineProperties(image, { naturalWidth: { value: 2000 }, naturalHeight: { value: 1000 } })
  image.getBoundingClientRect = () => new DOMRect(0, 0, 400, 200)
  const button = () => shown.findAll('button').find((b) => b.text() === 'Read it')
  expect(button()?.attributes('disabled')).toBeDefined()
  for (const [x, y] of [
    [40, 20],
    [360, 20],
    [360, 180],
    [40, 180],
  ])
    await shown.get('.picture').trigger('click', { clientX: x, clientY: y })
  expect(shown.text()).toContain('All four are tapped.')
  await button()?.trigger('click')
  await flushPromises()
  expect(sent[0]?.body).toEqual({
    machine: 3,
    dark: false,
    corners: [200, 100, 1800, 100, 1800, 900, 200, 900],
  })
  expect(shown.emitted('read')).toHaveLength(1)
})
