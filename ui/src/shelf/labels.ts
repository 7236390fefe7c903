import type { Schemas } from '../api/client'

type Label = Pick<Schemas['Label'], 'code' | 'title'>
/** A label, a place that was cut out before, or one that stays free. */
export type LabelPlace = Label | 'gone' | 'free'

/**
 * Where labels come to lie on their sheets.
 * @param begin the first free place of the sheet in the tray, from 0
 * @param places of a sheet
 */
export function sheetsOf(labels: Label[], begin: number, places: number): LabelPlace[][] {
  const all: LabelPlace[] = [...Array<LabelPlace>(begin).fill('gone'), ...labels]
  const sheets: LabelPlace[][] = []
  for (let from = 0; from < Math.max(1, all.length); from += places) {
    const sheet = all.slice(from, from + places)
    sheets.push([...sheet, ...Array<LabelPlace>(places - sheet.length).fill('free')])
  }
  return sheets
}
