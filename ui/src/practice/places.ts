import type { Schemas } from '../api/client'

type Act = Schemas['ActJson']
export type Treatment = Schemas['TreatmentJson']['treatment']
export type Question = NonNullable<Act['question']>

/** Where hands find something to do, in the order in which ink passes; and the hob, where things are left alone. */
export const PLACES = ['VESSEL', 'VENT', 'LINE', 'DAMPER', 'HEAD', 'PLATE', 'CAP', 'HOB'] as const
export type HandPlace = (typeof PLACES)[number]

export const CALLED: Record<HandPlace, string> = {
  VESSEL: 'ink vessel',
  VENT: 'vent, level',
  LINE: 'line',
  DAMPER: 'damper',
  HEAD: 'head',
  PLATE: 'plate, wiper',
  CAP: 'cap, pump',
  HOB: 'on the hob',
}

/** Where each treatment is carried out; a purge sheet comes out of the tray, beside the other prints. */
const AT: Record<Treatment, HandPlace | 'TRAY'> = {
  PURGE_SHEET: 'TRAY',
  CLEANING: 'HEAD',
  POWER_CLEANING: 'HEAD',
  REST_SHORT: 'HOB',
  REST_LONG: 'HOB',
  SOAK: 'PLATE',
  SOAK_OVERNIGHT: 'HOB',
  WIPE: 'PLATE',
  FLUSH_CAP: 'CAP',
  NEW_CAP: 'CAP',
  DRAW_AT_CARTRIDGE: 'VESSEL',
  PUSH_AT_VENT: 'VENT',
  DRAW_AT_WASTE_LINE: 'CAP',
  AGITATE: 'VESSEL',
  NEW_DAMPER: 'DAMPER',
  FLUSH_LINE: 'LINE',
  DRAW_AT_INLET: 'DAMPER',
  RENEW: 'VESSEL',
  HEAD_OUT: 'HEAD',
  LOOK_AGAIN: 'VENT',
}
export const placeOf = (treatment: Treatment) => AT[treatment]

/** What can be looked at where; some of it of one channel alone. */
export const ASKS: { question: Question; at: HandPlace; label: string; one: boolean }[] = [
  { question: 'WASTE_ROSE', at: 'CAP', label: 'Did the waste rise?', one: false },
  { question: 'BUBBLES', at: 'LINE', label: 'Bubbles in the tube?', one: true },
  { question: 'THREAD', at: 'VESSEL', label: 'Threads in the ink?', one: true },
  { question: 'CRUST', at: 'DAMPER', label: 'Crust on the inlet?', one: true },
]

type Run = Schemas['RunJson']

/** Whether such a machine has what the treatment needs. */
export function possible(treatment: Treatment, run: Pick<Run, 'refillable' | 'wasteLine' | 'headOut' | 'channels'>) {
  switch (treatment) {
    case 'DRAW_AT_CARTRIDGE':
    case 'PUSH_AT_VENT':
      return run.refillable
    case 'FLUSH_LINE':
      return !run.refillable
    case 'DRAW_AT_WASTE_LINE':
      return run.wasteLine
    case 'HEAD_OUT':
      return run.headOut
    case 'AGITATE':
      return run.channels.some((c) => c.channel.startsWith('W'))
    default:
      return true
  }
}
