import type { Schemas } from '../api/client'

type Kind = NonNullable<Schemas['Lot']['kind']>

/** What hands do with each stands on the card, once its code is read. */
export const BOTTLE_KINDS: { value: Kind; text: string }[] = [
  { value: 'KEYED_VALVE', text: 'keyed valve' },
  { value: 'PIERCED', text: 'seal to pierce' },
  { value: 'FOIL', text: 'foil under the cap' },
  { value: 'GROMMET', text: 'rubber grommet' },
  { value: 'CROSS_CUT', text: 'cross-cut seal' },
  { value: 'NOZZLE', text: 'pouring nozzle' },
  { value: 'PLAIN', text: 'plain bottle' },
]

export function bottleKind(kind: string): string {
  return BOTTLE_KINDS.find((k) => k.value === kind)?.text ?? kind
}
