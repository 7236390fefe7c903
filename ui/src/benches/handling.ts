import type { Schemas } from '../api/client'
import { numberOf } from '../units/typed'

export type Matter = NonNullable<Schemas['StepJson']['restsOn']>[number]
type Handling = Schemas['HandlingJson']
export type Act = Handling['ways'][number]['act']

/** What a person may put right about how hands get at a machine, as it stands in the form. */
export interface Draft {
  freeing: Handling['freeing']
  panel: Handling['panel']
  ways: { act: Act; label: string; say: string; seconds: string }[]
  screws: { which: string; count: string }[]
  wasteLines: Handling['wasteLines']
  kit: KitDraft
  trays: Handling['trays']
}

export type Kit = Handling['kit']

/** A kit as it stands in the form: its figures as they are typed. */
export type KitDraft = Omit<Kit, 'first' | 'second' | 'tilt'> & { first: string; second: string; tilt: string }

export const kitDraft = (kit: Kit): KitDraft => ({
  ...kit,
  first: String(kit.first),
  second: String(kit.second),
  tilt: String(kit.tilt),
})

const kitOf = (draft: KitDraft): Kit =>
  draft.chamber === 'NONE'
    ? { ...draft, first: 0, second: 0, tilt: 0 }
    : { ...draft, first: numberOf(draft.first), second: numberOf(draft.second), tilt: numberOf(draft.tilt) }

export function draftOf(handling: Handling): Draft {
  return {
    freeing: handling.freeing,
    panel: handling.panel,
    ways: handling.ways.map((w) => ({
      act: w.act,
      label: w.label,
      say: w.say,
      seconds: w.seconds ? String(w.seconds) : '',
    })),
    screws: handling.screws.map((s) => ({ which: s.which, count: String(s.count) })),
    wasteLines: handling.wasteLines,
    kit: kitDraft(handling.kit),
    trays: [...handling.trays],
  }
}

/** What was taught before, with what the draft says otherwise than the machine did until now. */
export function taughtBy(draft: Draft, handling: Handling): Schemas['TeachJson'] {
  const before = draftOf(handling)
  const ways = { ...handling.taught.ways }
  for (const way of draft.ways) {
    const was = before.ways.find((w) => w.act === way.act)
    if (was && was.say === way.say.trim() && was.seconds === way.seconds.trim()) continue
    ways[way.act] = { say: way.say.trim(), seconds: way.seconds.trim() === '' ? undefined : Number(way.seconds) }
  }
  const screws = draft.screws.map((s) => ({ which: s.which.trim(), count: Number(s.count) }))
  return {
    freeing: draft.freeing === before.freeing ? handling.taught.freeing : draft.freeing,
    panel: draft.panel === before.panel ? handling.taught.panel : draft.panel,
    ways,
    screws: JSON.stringify(draft.screws) === JSON.stringify(before.screws) ? handling.taught.screws : screws,
    wasteLines: draft.wasteLines === before.wasteLines ? handling.taught.wasteLines : draft.wasteLines,
    kit: JSON.stringify(draft.kit) === JSON.stringify(before.kit) ? handling.taught.kit : kitOf(draft.kit),
    trays: JSON.stringify(draft.trays) === JSON.stringify(before.trays) ? handling.taught.trays : draft.trays,
  }
}
