import type { Schemas } from '../api/client'

type Way = Schemas['FedJson']

/** What is paid in all at the end of each month, from what is paid at once on, in minor units. */
export function paidBy(way: Way, months: number): number[] {
  return Array.from({ length: months + 1 }, (_, month) => way.once + way.perMonth * month)
}

/** “from the first sheet”, “after 3.4 months, 340 sheets”, “cheaper for 2 months, then never”, “never” */
export function paysWhen(way: Way): string {
  if (way.ahead !== undefined) return `cheaper for ${inMonths(way.ahead)}, then never`
  if (way.months === undefined) return 'never'
  if (way.months === 0) return 'from the first sheet'
  return `after ${inMonths(way.months)}, ${way.sheets} sheets`
}
const inMonths = (months: number): string => (months === 1 ? '1 month' : `${months} months`)

/** The label of whatever has cost least by then. */
export function cheapest(ways: Way[], by: 'year' | 'threeYears'): string | undefined {
  return ways.reduce<Way | undefined>((best, way) => (best && best[by] <= way[by] ? best : way), undefined)?.label
}
