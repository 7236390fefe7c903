import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import DrillDrawing from './DrillDrawing.vue'

const drawn = (drawing: Schemas['DrawingJson']) => mount(DrillDrawing, { props: { drawing } })

describe('what a question shows', () => {
  it('leaves the strokes out that are missing, and says so to a reader', () => {
    const shown = drawn({
      combs: { strokes: 30, blocks: [{ label: 'now', missing: [2, 5], shifted: [7] }] },
    })
    expect(shown.findAll('rect')).toHaveLength(28)
    expect(shown.get('svg').attributes('aria-label')).toBe('now: missing 3, 6; aside 8')
  })

  it('draws a gap as a gap, and an overlap as two that lie over each other', () => {
    const shown = drawn({ squares: [4, 0, -4] })
    const [gapTop, gapFoot, meetTop, meetFoot, overTop, overFoot] = shown.findAll('rect').map((r) => ({
      y: Number(r.attributes('y')),
      end: Number(r.attributes('y')) + Number(r.attributes('height')),
    }))
    expect(gapFoot!.y).toBeGreaterThan(gapTop!.end)
    expect(meetFoot!.y).toBeCloseTo(meetTop!.end)
    expect(overFoot!.y).toBeLessThan(overTop!.end)
  })

  it('fills a syringe as far as ink came, with bubbles where there are some', () => {
    const shown = drawn({ syringe: { ink: 0.5, air: 0.2, bubbles: true } })
    expect(Number(shown.get('rect.ink').attributes('width'))).toBeCloseTo(133)
    expect(shown.findAll('.bubble').length).toBeGreaterThan(0)
    expect(shown.get('svg').attributes('aria-label')).toBe('ink 50 %, air 20 %, bubbles')
  })

  it('hangs the ink above or below the nozzles', () => {
    const at = (height: number) =>
      Number(
        drawn({ line: { height, vent: true, valve: true, damper: 'free', pump: false } })
          .get('rect.ink')
          .attributes('y'),
      )
    expect(at(60)).toBeLessThan(at(0))
    expect(at(-60)).toBeGreaterThan(at(0))
    expect(at(0)).toBe(110)
  })
})
