import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import InkPath from './InkPath.vue'
import SightGlass from './SightGlass.vue'

describe('a sight glass', () => {
  const glass = (volume: number) =>
    mount(SightGlass, { props: { code: 'Y', capacity: 60, layers: [{ kind: 'ink', label: 'sublimation', volume }] } })

  it('says its level with units', () => {
    expect(glass(42).attributes('aria-label')).toBe('Y: 42 of 60 mL, reckoned')
  })

  it('says when it is below the refill line', () => {
    expect(glass(10).attributes('aria-label')).toContain('below the refill line')
  })
})

describe('an ink path', () => {
  const path = [
    { kind: 'tank', capacity: 90, heel: 2.4, layers: [{ kind: 'old', label: 'other ink', volume: 60 }] },
    { kind: 'damper', capacity: 3, heel: 1.1, layers: [{ kind: 'old', label: 'other ink', volume: 3 }] },
  ]

  it('shows what is in every vessel', () => {
    expect(mount(InkPath, { props: { code: 'C', path } }).attributes('aria-label')).toBe(
      'Ink path of C: tank 60 of 90 mL, damper 3 of 3 mL',
    )
  })

  it('shows what draining leaves', () => {
    expect(mount(InkPath, { props: { code: 'C', path, heelsOnly: true } }).text()).toContain('2.4 of 90 mL')
  })
})
