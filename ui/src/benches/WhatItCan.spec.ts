import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Schemas } from '../api/client'
import WhatItCan from './WhatItCan.vue'

type Profile = Schemas['ProfileJson']
const profile = (over: Partial<Profile> = {}, capable: Partial<Profile['capable']> = {}) =>
  ({
    name: 'wide cartridge',
    screen: true,
    chipWords: ['chips with a reset button', 'chips that reset themselves'],
    resetByHand: false,
    capable: { largestSheet: 'A3', wireless: true, headOut: true, padByUser: true, ...capable },
    ...over,
  }) as Profile
const said = (of: Profile) => mount(WhatItCan, { props: { profile: of } }).text()

describe('what a machine can', () => {
  it('is said in sentences that help to choose one', () => {
    const words = said(profile())
    expect(words).toContain('Sheets up to A3; a screen; by cable or wireless.')
    expect(words).toContain('Its head comes out')
    expect(words).toContain('changed by hand')
    expect(words).toContain('To be had for it: chips with a reset button, chips that reset themselves.')
    expect(words).not.toContain('No chips')
  })

  it('warns of one whose refills are all reset by hand', () => {
    expect(said(profile({ resetByHand: true }))).toContain('each refill is reset by hand')
  })

  it('says nothing of chips where there are none, and what cannot be done', () => {
    const words = said(profile({ chipWords: [], screen: false }, { headOut: false, padByUser: false, wireless: false }))
    expect(words).not.toContain('hips')
    expect(words).toContain('no screen: keys and lamps; by cable alone')
    expect(words).toContain('stays in')
    expect(words).toContain('in a workshop')
  })
})
