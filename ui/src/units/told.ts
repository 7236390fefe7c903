import { figure, inLength, type LengthUnit, type VolumeUnit } from './format'

/** What the server says in sentences, and nobody edits: there its volumes and lengths are said in the shop’s units. */
const SENTENCES = new Set(
  (
    'say says hold irreversible cautions message detail why whyNot first stopHere stays gives risk effect told meaning ' +
    'advice then helps headline reminders passesWords basis because didWords lines kit expect verdict cannotKnow shows ' +
    'looks acknowledgements checkSays doubts trouble changeWords endingWords words title items besides'
  ).split(' '),
)
/** Pages where the same words stand in fields that are typed in. */
const TYPED = /\/(passport|handling|presets|settings|shop|messages|artworks)(\/|$)/

const NUMBER = String.raw`\d+(?:\.\d+)?`
const AMOUNT = new RegExp(String.raw`\b(${NUMBER})((?: ?– ?| to | × )(${NUMBER}))? ?(mL|mm|cm)\b`, 'g')

export interface Units {
  volume: VolumeUnit
  length: LengthUnit
}

const rounded = (inches: number) => String(Number(inches.toFixed(2)))

/** A sentence, with its volumes and lengths in those units. */
export function toldIn(units: Units, sentence: string): string {
  return sentence.replace(
    AMOUNT,
    (whole, one: string, rest: string | undefined, two: string | undefined, unit: string) => {
      const liquid = unit === 'mL'
      if (liquid ? units.volume === 'mL' : units.length === 'mm') return whole
      const shown = (number: string) =>
        liquid
          ? figure(Number(number), units.volume)
          : rounded(inLength(Number(number) * (unit === 'cm' ? 10 : 1), 'inch'))
      const between = rest && two ? rest.slice(0, rest.length - two.length) + shown(two) : ''
      return `${shown(one)}${between} ${liquid ? units.volume : 'in'}`
    },
  )
}

/** An answer of the server as this shop reads it; the same where it reads mL and mm. */
export function inUnits(path: string, units: Units, answer: unknown): unknown {
  return (units.volume === 'mL' && units.length === 'mm') || TYPED.test(path) ? answer : within(units, answer, false)
}

function within(units: Units, value: unknown, sentence: boolean): unknown {
  if (typeof value === 'string') return sentence ? toldIn(units, value) : value
  if (Array.isArray(value)) return value.map((v) => within(units, v, sentence))
  if (value && typeof value === 'object')
    return Object.fromEntries(Object.entries(value).map(([key, v]) => [key, within(units, v, SENTENCES.has(key))]))
  return value
}
