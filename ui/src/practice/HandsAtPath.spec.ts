import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import HandsAtPath from './HandsAtPath.vue'
import { placeOf, possible, type Treatment } from './places'

const tanks = { refillable: false, wasteLine: true, headOut: false, channels: [{ channel: 'K' }, { channel: 'W1' }] }
const run = tanks as Schemas['RunJson']
const treatment = (treatment: Treatment, label: string, perChannel: boolean) => ({
  treatment,
  label,
  why: '',
  perChannel,
})
const treatments = [
  treatment('SOAK', 'Soak over a wet cloth', false),
  treatment('REST_LONG', 'Rest of twelve hours', false),
  treatment('FLUSH_LINE', 'Flush the line', true),
  treatment('PUSH_AT_VENT', 'Gentle push', true),
]
const machine = (channels: string[] = []) => mount(HandsAtPath, { props: { run, treatments, channels, busy: false } })
type Shown = ReturnType<typeof machine>
const tap = (shown: Shown, words: string) =>
  shown
    .findAll('button')
    .find((b) => b.text().startsWith(words))!
    .trigger('click')
const offered = (shown: Shown) => shown.findAll('.acts button').map((b) => b.text())

describe('hands at the way of the ink', () => {
  it('offer at a place what is done there, and nothing else', async () => {
    const shown = machine()
    await tap(shown, 'plate')
    expect(offered(shown)).toEqual(['Soak over a wet cloth'])
    await tap(shown, 'on the hob')
    expect(offered(shown)).toEqual(['Rest of twelve hours'])
    await tap(shown, 'Rest of twelve hours')
    expect(shown.emitted('treat')).toEqual([['REST_LONG']])
  })

  it('want a channel in hand for what is done to one', async () => {
    const shown = machine()
    await tap(shown, 'line')
    expect(shown.findAll('.acts button').map((b) => b.attributes('disabled'))).toEqual(['', ''])
    await shown.setProps({ channels: ['W1'] })
    await tap(shown, 'Flush the line: W1')
    await tap(shown, 'Bubbles')
    expect(shown.emitted('treat')).toEqual([['FLUSH_LINE']])
    expect(shown.emitted('ask')).toEqual([['BUBBLES']])
  })

  it('do not offer what the machine has no part for', async () => {
    const shown = machine(['K'])
    await tap(shown, 'vent')
    expect(offered(shown)).toEqual(['The simple things'])
    expect(possible('HEAD_OUT', run)).toBe(false)
    expect(possible('AGITATE', run)).toBe(true)
    expect(possible('AGITATE', { ...run, channels: run.channels.slice(0, 1) })).toBe(false)
  })

  it('find a purge sheet in the tray', () => expect(placeOf('PURGE_SHEET')).toBe('TRAY'))
})
