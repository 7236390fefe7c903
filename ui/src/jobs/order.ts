import type { Schemas } from '../api/client'
import { instantIn, isDate, timeOf } from '../units/typed'
import type { JobOrder } from './useJob'

/** An order as it is typed: a date and a time beside it, sizes in mm. */
export interface Typed {
  customer: string
  what: string
  ink: JobOrder['ink']
  substrate: JobOrder['substrate']
  dark: boolean
  photo: boolean
  pieces: TypedPiece[]
  media: string
  gap: number
  date: string
  time: string
  notes: string
  preset: string
  pressC: number
  pressS: number
  cureC: number
  cureS: number
  blank: number
  blankArticle: number
}

export interface TypedPiece {
  label: string
  width: number
  height: number
  count: number
  turning: Schemas['PiecesJson']['turning']
  artwork: number
}

export function emptyPiece(): TypedPiece {
  return { label: '', width: 100, height: 100, count: 1, turning: 'FREE', artwork: 0 }
}

export function emptyOrder(): Typed {
  return {
    customer: '',
    what: '',
    ink: 'SUBLIMATION',
    substrate: 'SATIN_RIBBON',
    dark: false,
    photo: false,
    pieces: [emptyPiece()],
    media: 'A4',
    gap: 4,
    date: '',
    time: '16:00',
    notes: '',
    preset: '',
    pressC: 0,
    pressS: 0,
    cureC: 0,
    cureS: 0,
    blank: 0,
    blankArticle: 0,
  }
}

const tenths = (mm: number) => Math.round(mm * 10)

/** As the server takes it; what is not known is left out. */
export function sent(typed: Typed, zone: string): JobOrder {
  const time = timeOf(typed.time) || '12:00'
  return {
    customer: typed.customer,
    what: typed.what,
    ink: typed.ink,
    substrate: typed.substrate,
    dark: typed.dark,
    photo: typed.photo,
    pieces: typed.pieces.map((p) => ({
      label: p.label,
      width: tenths(p.width),
      height: tenths(p.height),
      count: Math.round(p.count),
      turning: p.turning,
      artwork: p.artwork || undefined,
    })),
    media: typed.media,
    gap: tenths(typed.gap),
    due: isDate(typed.date) ? instantIn(zone, typed.date, time) : '',
    notes: typed.notes,
    preset: typed.preset,
    press: typed.pressC && typed.pressS ? { celsius: typed.pressC, seconds: typed.pressS } : undefined,
    cure: typed.cureC && typed.cureS ? { celsius: typed.cureC, seconds: typed.cureS } : undefined,
    blank: typed.blank,
    blankArticle: typed.blankArticle,
  }
}

/** The inverse of {@link sent}. */
export function typedOf(order: JobOrder, zone: string): Typed {
  const at = new Intl.DateTimeFormat('en-CA', {
    timeZone: zone,
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
  }).formatToParts(new Date(order.due))
  const part = (type: string) => at.find((p) => p.type === type)?.value ?? ''
  return {
    ...order,
    pieces: order.pieces.map((p) => ({
      ...p,
      width: p.width / 10,
      height: p.height / 10,
      artwork: p.artwork ?? 0,
    })),
    gap: order.gap / 10,
    date: `${part('year')}-${part('month')}-${part('day')}`,
    time: `${part('hour')}:${part('minute')}`,
    pressC: order.press?.celsius ?? 0,
    pressS: order.press?.seconds ?? 0,
    cureC: order.cure?.celsius ?? 0,
    cureS: order.cure?.seconds ?? 0,
  }
}

/** Whether a substrate is cloth or food, and so what it is usually printed on. */
export function usualMedia(ink: string): string {
  return ink === 'FILM' ? 'film roll, 33 cm' : 'A4'
}
