import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import SuspectPath from './SuspectPath.vue'

const finding = (place: Schemas['FindingJson']['place'], share: number): Schemas['FindingJson'] => ({
  cause: 'AIR',
  label: 'air',
  place,
  signature: '',
  channels: [],
  share,
  band: 'possible',
})

describe('the suspected place', () => {
  it('is marked as far as it is suspected, and said in words', () => {
    const svg = mount(SuspectPath, {
      props: { findings: [finding('LINE', 0.62), finding('DAMPER', 0.2), finding('CAP', 0.01)] },
    })
    expect(svg.attributes('aria-label')).toBe('Where it is suspected: line 62 %, damper 20 %')
    expect(svg.text()).not.toContain('1 %')
  })

  it('is nowhere while nothing is believed', () => {
    expect(mount(SuspectPath, { props: { findings: [] } }).attributes('aria-label')).toContain('nowhere yet')
  })
})
