import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import ChannelStacks from './ChannelStacks.vue'

const stack = (code: string, fails: boolean) => ({
  code,
  fails,
  note: fails ? 'fails' : 'good',
  checks: [{ at: '2026-11-30T09:00:00Z', nozzles: 90, missing: fails ? [4] : [] }],
})
const shown = (...channels: ReturnType<typeof stack>[]) =>
  mount(ChannelStacks, { props: { channels, zone: 'UTC' } })
    .findAll('details')
    .map((d) => `${d.get('summary').text()}${d.attributes('open') === undefined ? '' : ', open'}`)

describe('checks of all channels', () => {
  it('show first what fails, and open', () =>
    expect(shown(stack('K', false), stack('W1', true))).toEqual(['W1 fails, open', 'K good']))

  it('open the first where nothing fails', () =>
    expect(shown(stack('K', false), stack('C', false))).toEqual(['K good, open', 'C good']))
})
