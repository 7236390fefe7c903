import { numberOf } from './typed'

const ML_PER_FL_OZ = 29.5735295625 // US fluid ounce, by definition

const MM_PER_INCH = 25.4 // by definition

export type VolumeUnit = 'mL' | 'fl oz'
export type LengthUnit = 'mm' | 'inch'

/** A volume as people read it: "57 mL", "5.5 mL", "1.93 fl oz". */
export function volume(mL: number, unit: VolumeUnit = 'mL'): string {
  if (unit === 'fl oz') return `${trimmed(mL / ML_PER_FL_OZ, 2)} fl oz`
  return `${bare(mL)} mL`
}

/** The figure alone, in mL. */
export function bare(mL: number): string {
  return trimmed(mL, mL >= 20 ? 0 : 1)
}

/** The figure alone, in the unit that people read. */
export function figure(mL: number, unit: VolumeUnit = 'mL'): string {
  return unit === 'fl oz' ? trimmed(mL / ML_PER_FL_OZ, 2) : bare(mL)
}

/** A volume as a number in that unit, for what is drawn. */
export function inUnit(mL: number, unit: VolumeUnit = 'mL'): number {
  return unit === 'fl oz' ? mL / ML_PER_FL_OZ : mL
}

/** What was typed, in mL with at most three decimals, or undefined if it is no volume. */
export function typedVolume(text: string, unit: VolumeUnit = 'mL'): string | undefined {
  const number = numberOf(text)
  if (Number.isNaN(number) || number < 0) return undefined
  const mL = unit === 'fl oz' ? number * ML_PER_FL_OZ : number
  return String(Math.round(mL * 1000) / 1000)
}

/** A volume in mL as it would be typed. */
export function typable(mL: number, unit: VolumeUnit = 'mL'): string {
  return unit === 'fl oz' ? trimmed(mL / ML_PER_FL_OZ, 3) : trimmed(mL, 1)
}

/** A length as people read it: "12 mm", "0.47 in". */
export function length(mm: number, unit: LengthUnit = 'mm'): string {
  return unit === 'inch' ? `${trimmed(mm / MM_PER_INCH, 2)} in` : `${trimmed(mm, 2)} mm`
}

/** A length as a number in that unit. */
export function inLength(mm: number, unit: LengthUnit = 'mm'): number {
  return unit === 'inch' ? mm / MM_PER_INCH : mm
}

/** What was typed in that unit, in mm; `NaN` for what is no number. */
export function typedLength(text: string | number, unit: LengthUnit = 'mm'): number {
  return numberOf(text) * (unit === 'inch' ? MM_PER_INCH : 1)
}

function trimmed(value: number, decimals: number): string {
  return String(Number(value.toFixed(decimals)))
}

/** A share as a percentage: "0.5 %", "4.29 %". */
export function percent(share: number): string {
  const value = share * 100
  return `${trimmed(value, value < 1 ? 3 : value < 10 ? 2 : 0)} %`
}

export function money(amount: { minor: number; currency: string }): string {
  const format = new Intl.NumberFormat('en-GB', { style: 'currency', currency: amount.currency })
  const digits = format.resolvedOptions().maximumFractionDigits ?? 2
  return format.format(amount.minor / 10 ** digits)
}

/** "38 min", "1 h 20 min", "12 h", "2 days 17 h". */
export function minutes(total: number): string {
  const whole = Math.round(total)
  if (whole < 60) return `${whole} min`
  if (whole >= 48 * 60) {
    const hours = Math.round(whole / 60)
    return hours % 24 === 0 ? `${hours / 24} days` : `${Math.floor(hours / 24)} days ${hours % 24} h`
  }
  const hours = Math.floor(whole / 60)
  return whole % 60 === 0 ? `${hours} h` : `${hours} h ${whole % 60} min`
}

/** "30 s", "12 min", "6 h 41 min". */
export function span(seconds: number): string {
  return seconds < 120 && seconds % 60 !== 0 ? `${Math.round(seconds)} s` : minutes(seconds / 60)
}

/** What is left of a wait: "1:52" under ten minutes, "6 h 41 min" above. */
export function countdown(milliseconds: number): string {
  const seconds = Math.max(0, Math.ceil(milliseconds / 1000))
  if (seconds < 600) return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
  return minutes(Math.ceil(seconds / 60))
}

export function clock(instant: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: zone }).format(
    new Date(instant),
  )
}

export function day(instant: string, zone: string): string {
  return new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: zone }).format(
    new Date(instant),
  )
}

/** A date without a time, as it is kept: “30 Nov 2026”. */
export function dateOf(iso: string): string {
  return new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' }).format(
    new Date(`${iso.slice(0, 10)}T00:00:00Z`),
  )
}

export function dayAndTime(instant: string, zone: string): string {
  return `${day(instant, zone)} ${clock(instant, zone)}`
}
