import type { Schemas } from '../api/client'

type Asking = Pick<Schemas['StepJson'], 'ask' | 'entries' | 'hold'>

/**
 * Cells that nobody has entered yet, as planned. What differs is entered alone, before or after. Never taken as planned: the code
 * on a bottle, which is read; looks before a hold; and what is done in an order.
 */
export function asPlanned(
  step: Asking,
  syringes: Record<string, Schemas['OfferedTool'][]> = {},
): Record<string, string> {
  const cells: Record<string, string> = {}
  if (step.ask.kind === 'Ticks' && !step.hold && step.ask.words === '') {
    step.ask.items.forEach((_, i) => {
      if (step.entries[`item/${i}`] === undefined) cells[`item/${i}`] = 'yes'
    })
  }
  if (step.ask.kind !== 'Grid') return cells
  step.ask.columns.forEach((column, i) => {
    if (column.kind === 'CODE') return
    step.ask.channels.forEach((channel, row) => {
      const id = `${channel}/${i}`
      const expected = column.expected[row] ?? 0
      if (step.entries[id] !== undefined || (column.kind === 'VOLUME' && expected <= 0)) return
      cells[id] =
        column.kind === 'VOLUME'
          ? String(expected)
          : column.kind === 'TOOL'
            ? String(syringes[channel]?.[0]?.id ?? 'yes') // the best that may, or a new one
            : 'yes'
    })
  })
  return cells
}

/** Whether one tap ends a step: everything it still asks for is as planned. */
export function endsAsPlanned(step: Asking): boolean {
  const { columns, channels } = step.ask
  const looks = !columns.some((c) => c.kind === 'VOLUME')
  const unread = columns.some(
    (c, i) => c.kind === 'CODE' && channels.some((ch) => step.entries[`${ch}/${i}`] === undefined),
  )
  return !unread && !(looks && step.hold) && Object.keys(asPlanned(step)).length > 0
}
