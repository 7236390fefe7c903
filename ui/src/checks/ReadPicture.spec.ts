import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import type { Reading } from './useReading'
import ReadPicture from './ReadPicture.vue'

const look = {
  channel: 'M',
  strokes: 3,
  missing: [1],
  faint: [],
  partial: [],
  bent: [],
  unsure: [2],
  unseen: [],
  limit: 0.16,
  corrected: false,
  spots: [0.2, 0.5, 0.5, 0.5, 0.8, 0.5],
}
const reading = {
  id: 5,
  at: '2026-11-25T09:00:00Z',
  picture: 'p',
  straight: 's',
  looks: [look],
  doubts: [],
  reference: false,
} as unknown as Reading

function shown(of = reading) {
  const picture = mount(ReadPicture, { props: { reading: of } })
  picture.get('.picture').element.getBoundingClientRect = () => new DOMRect(0, 0, 1000, 200)
  return picture
}

describe('a picture that was read', () => {
  it('lets somebody who looked say that what is hidden is there', async () => {
    const picture = shown({ ...reading, looks: [{ ...look, unseen: [2] }] } as unknown as Reading)
    expect(picture.text()).toContain('1 stroke is hidden, so it is no check yet')
    await picture.get('button').trigger('click')
    expect(picture.emitted('correct')).toEqual([['M', [1]]])
  })

  it('rings what is missing and what is unsure, and leaves the rest alone', () => {
    const picture = shown()
    expect(picture.findAll('.ring')).toHaveLength(2)
    expect(picture.find('.ring.missing').attributes('style')).toContain('left: 50%')
    expect(picture.text()).toContain('Sure of 2 of 3 strokes; 1 dashed')
  })

  it('takes a tap on a gap as: it is there', async () => {
    const picture = shown()
    await picture.get('.picture').trigger('click', { clientX: 502, clientY: 103 })
    expect(picture.emitted('correct')).toEqual([['M', []]])
  })

  it('takes a tap on a stroke as: it is missing', async () => {
    const picture = shown()
    await picture.get('.picture').trigger('click', { clientX: 198, clientY: 100 })
    expect(picture.emitted('correct')).toEqual([['M', [0, 1]]])
  })

  it('takes a tap on bare paper as nothing', async () => {
    const picture = shown()
    await picture.get('.picture').trigger('click', { clientX: 350, clientY: 20 })
    expect(picture.emitted('correct')).toBeUndefined()
  })

  it('is sure of what a person corrected', () => {
    const picture = shown({ ...reading, looks: [{ ...look, corrected: true }] } as unknown as Reading)
    expect(picture.text()).toContain('Sure of 3 of 3')
  })
})
