import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import BottlesSold from './BottlesSold.vue'

const film = [
  { volume: 250, price: 2300 },
  { volume: 500, price: 3900 },
]
const shown = (props: object = {}) =>
  mount(BottlesSold, {
    props: {
      what: 'Ink: film',
      currency: 'GBP',
      bottles: film,
      field: 'inkOf[FILM].bottles',
      problem: undefined,
      packs: true,
      own: true,
      ...props,
    },
  })

describe('bottles as they are sold', () => {
  it('says at a glance what the cheapest costs', () => {
    expect(shown().get('summary').text()).toContain('from £23.00')
  })

  it('takes another size, twice the largest, and lets one go', async () => {
    const sold = shown()
    await sold
      .findAll('button')
      .find((b) => b.text() === 'another size')!
      .trigger('click')
    expect(sold.emitted('update:bottles')![0]).toEqual([[...film, { volume: 1000, price: 7800 }]])
    const fewer = shown()
    await fewer.get('[aria-label="Ink: film: size 1 is not sold"]').trigger('click')
    expect(fewer.emitted('update:bottles')![0]).toEqual([[film[1]]])
  })

  it('keeps the last size: an ink that is not sold has no price', () => {
    const sold = shown({ bottles: [film[0]] })
    expect(sold.get('[aria-label="Ink: film: size 1 is not sold"]').attributes('disabled')).toBeDefined()
  })

  it('is sold as a set of colours, or not', async () => {
    const sold = shown()
    await sold
      .findAll('button')
      .find((b) => b.text() === 'sold as a set of colours')!
      .trigger('click')
    expect(sold.emitted('update:pack')![0]).toEqual([{ each: 250, colours: 4, price: 9200 }])
    const set = shown({ pack: { each: 250, colours: 4, price: 9200 } })
    await set.get('[aria-label="Ink: film: no set is sold"]').trigger('click')
    expect(set.emitted('update:pack')![0]).toEqual([undefined])
  })

  it('says beside a size what is wrong with it', () => {
    const said = 'Give what is in it, in mL.'
    const problem = { detail: said, status: 400, errors: [{ field: 'inkOf[FILM].bottles[1].volume', detail: said }] }
    const rows = shown({ problem }).findAll('tbody tr')
    expect(rows[0]!.text()).not.toContain(said)
    expect(rows[1]!.text()).toContain(said)
  })

  it('says beside a set what is wrong with it', () => {
    const said = 'At least two colours.'
    const problem = { detail: said, status: 400, errors: [{ field: 'inkOf[FILM].pack.colours', detail: said }] }
    const rows = shown({ problem, pack: { each: 100, colours: 1, price: 4500 } }).findAll('tbody tr')
    expect(rows.at(-1)!.text()).toContain(said)
  })

  it('goes back to what every ink costs', async () => {
    const sold = shown()
    await sold
      .findAll('button')
      .find((b) => b.text() === 'as every ink')!
      .trigger('click')
    expect(sold.emitted('giveUp')).toHaveLength(1)
  })
})
