import type { Schemas } from '../api/client'

type Plate = Schemas['PlateJson']

/** The state of a machine as a mark and a word. */
export function stateOf(machine: Plate): { mark: 'ready' | 'look' | 'open' | 'rest' | 'empty'; word: string } {
  if (machine.card) {
    return machine.attention.kind === 'TAKE_OFF_WAIT'
      ? { mark: 'look', word: 'wait is over' }
      : { mark: 'open', word: `card ${machine.card.done}/${machine.card.steps}` }
  }
  switch (machine.attention.kind) {
    case 'TAKE_OFF_WAIT':
      return { mark: 'look', word: machine.caseId ? 'ill, wait is over' : 'wait is over' }
    case 'PLAN':
      return { mark: 'empty', word: 'never inked' }
    case 'TOP_UP':
    case 'PAD':
      return { mark: 'look', word: machine.attention.kind === 'PAD' ? 'pad nearly full' : 'ink is low' }
    case 'CHECK':
      return machine.channels.some((c) => c.missing.length)
        ? { mark: 'look', word: 'gaps' }
        : { mark: 'rest', word: 'not looked at' }
    case 'CASE':
      return { mark: 'look', word: 'ill' }
    case 'OWED':
      return { mark: 'look', word: `${machine.owedNow} owed` }
    case 'PARKED':
      return { mark: 'rest', word: 'at rest' }
    default:
      return { mark: 'ready', word: 'fit' }
  }
}

const RESTED = 2 // days; a night and a day are no idleness

/** How long it stood without laying ink, once that is worth saying: ink dries where nothing flows. */
export const idle = ({ idleDays }: Plate): string => ((idleDays ?? 0) >= RESTED ? ` · idle for ${idleDays} days` : '')

/** Whether anything is to be done to it now. */
export const wants = (machine: Plate): boolean => Boolean(machine.card) || machine.attention.kind !== 'NOTHING'

/** Where its one next action leads. */
export function actionFor(machine: Plate): { to: string; label: string } {
  if (machine.card) return { to: `/cards/${machine.card.id}`, label: 'To the card' }
  switch (machine.attention.kind) {
    case 'TAKE_OFF_WAIT':
      return machine.caseId
        ? { to: `/clinic/${machine.caseId}`, label: 'Clinic' }
        : { to: `/machines/${machine.id}/checks#check`, label: 'Check' }
    case 'PLAN':
      return { to: `/changeover?machine=${machine.id}`, label: 'Plan' }
    case 'CHECK':
      return { to: `/machines/${machine.id}/checks#check`, label: 'Check' }
    case 'TOP_UP':
      return { to: `/machines/${machine.id}/ink#levels`, label: 'Refill' }
    case 'CASE':
      return { to: `/clinic/${machine.caseId}`, label: 'Clinic' }
    case 'OWED':
      return { to: `/machines/${machine.id}/upkeep#owed`, label: 'Owed' }
    case 'PAD':
      return { to: `/machines/${machine.id}/ink#pad`, label: 'Pad' }
    case 'PARKED':
      return { to: `/changeover?machine=${machine.id}`, label: 'Wake it' }
    default:
      return { to: `/machines/${machine.id}`, label: 'Look' }
  }
}
