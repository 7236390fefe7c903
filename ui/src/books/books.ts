import type { Schemas } from '../api/client'

export type Books = Schemas['BooksJson']
export type Cause = Schemas['CauseJson']['cause']
type Flow = Schemas['FlowJson']

/** What it comes to for the shop: sold, spent on keeping machines alive, on changing them over, or put right. */
export const ROLES = [
  { key: 'sold', label: 'printed', causes: ['PRINTS'] },
  { key: 'upkeep', label: 'keeping alive', causes: ['CHECKS', 'CLEANINGS', 'POWER_CLEANINGS', 'PURGES', 'DRAWN'] },
  { key: 'change', label: 'changing over', causes: ['CHARGES', 'DRAINS', 'RINSES', 'PUT_ASIDE'] },
  { key: 'rest', label: 'put right, dried, other', causes: ['EVAPORATED', 'CORRECTIONS', 'OTHER'] },
] as const
export type Role = (typeof ROLES)[number]['key']

const sum = (all: number[]) => Math.round(all.reduce((a, b) => a + b, 0) * 1000) / 1000

/** mL of a flow by role, in the order of the roles. */
export function byRole(flow: Pick<Flow, 'mL'>): number[] {
  return ROLES.map((role) => sum(role.causes.map((cause) => (flow.mL as Record<string, number>)[cause] ?? 0)))
}

/** What left, by role, over all of it. */
export function whole(books: Books): number[] {
  const parts = books.months.map(byRole)
  return ROLES.map((_, i) => sum(parts.map((p) => p[i] ?? 0)))
}

/** “2026-11” as people say it: “Nov 2026”. */
export function monthName(month: string): string {
  return new Intl.DateTimeFormat('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(`${month}-01T00:00:00Z`),
  )
}

/** The months from the first to the last, the newest first. */
export function monthsBetween(first: string, last: string): string[] {
  const all: string[] = []
  let [year, month] = last.split('-').map(Number) as [number, number]
  while (`${year}-${String(month).padStart(2, '0')}` >= first && all.length < 240) {
    all.push(`${year}-${String(month).padStart(2, '0')}`)
    month -= 1
    if (month === 0) [year, month] = [year - 1, 12]
  }
  return all
}
