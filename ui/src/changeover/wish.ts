import type { LocationQuery } from 'vue-router'
import type { operations } from '../api/schema'

/** What is asked of a machine, as it stands in the address of the page and of the plan. */
type Query = NonNullable<operations['planChangeover']['parameters']['query']>
export type Wish = { [K in keyof Query]?: Exclude<Query[K], null> }
type Purpose = NonNullable<Wish['purpose']>

export const PURPOSES: { value: Purpose; text: string }[] = [
  { value: 'CHANGE', text: 'Change the ink' },
  { value: 'RENEW', text: 'The same ink, fresh' },
  { value: 'PARK', text: 'Park it on fluid' },
]

function one(query: LocationQuery, key: string): string | undefined {
  const value = query[key]
  return typeof value === 'string' && value !== '' ? value : undefined
}

/** The wish in an address. Without a family a machine that is changed goes to sublimation, the commonest change. */
export function wishOf(query: LocationQuery): Wish {
  const purpose = (one(query, 'for') as Purpose | undefined) ?? 'CHANGE'
  return {
    purpose,
    family: purpose === 'CHANGE' ? ((one(query, 'to') as Wish['family']) ?? 'SUBLIMATION') : undefined,
    make: purpose === 'CHANGE' ? 'own' : undefined,
    purity: one(query, 'purity') ? Number(one(query, 'purity')) : undefined,
    route: one(query, 'by') as Wish['route'],
    chips: one(query, 'chips') as Wish['chips'],
    carries: one(query, 'carries'),
    onFluid: one(query, 'rest'),
    hands: one(query, 'hands') as Wish['hands'],
  }
}

/** The wish as the query of the addresses that give it on paper or in a file. */
export function asQuery(wish: Wish): string {
  const pairs = Object.entries(wish).filter(([, v]) => v !== undefined && v !== null)
  return new URLSearchParams(pairs.map(([k, v]) => [k, String(v)])).toString()
}

export interface Slot {
  before: string
  code: string
  doing: string
}

/** The slots as parts of an address, after one of them is to be something else: its own, another channel, or "fluid". */
export function withSlot(slots: Slot[], before: string, choice: string): { carries?: string; rest?: string } {
  const chosen = slots.map((s) => ({
    before: s.before,
    code: s.before === before ? (choice === 'fluid' ? s.before : choice) : s.doing === 'ON_FLUID' ? s.before : s.code,
    fluid: s.before === before ? choice === 'fluid' : s.doing === 'ON_FLUID',
  }))
  const carries = chosen.filter((s) => !s.fluid && s.code !== s.before).map((s) => `${s.before}:${s.code}`)
  const rest = chosen.filter((s) => s.fluid).map((s) => s.before)
  return { carries: carries.join(',') || undefined, rest: rest.join(',') || undefined }
}
