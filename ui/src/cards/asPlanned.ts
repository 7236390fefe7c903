import type { Schemas } from '../api/client'

/**
 * Cells of a grid that nobody has entered yet, as planned. What differs is entered alone, before or after; the code on a bottle
 * is never taken as planned: it is read.
 */
export function asPlanned(step: Pick<Schemas['StepJson'], 'ask' | 'entries'>): Record<string, string> {
  const cells: Record<string, string> = {}
  step.ask.columns.forEach((column, i) => {
    if (column.kind === 'CODE') return
    step.ask.channels.forEach((channel, row) => {
      const id = `${channel}/${i}`
      const expected = column.expected[row] ?? 0
      if (step.entries[id] !== undefined || (column.kind === 'VOLUME' && expected <= 0)) return
      cells[id] = column.kind === 'VOLUME' ? String(expected) : 'yes'
    })
  })
  return cells
}
