/** What people type into forms, with a point or a comma, and money in the shop's currency. */

/**
 * The number that was typed: "0.25", "0,25", " 17,50 ". `NaN` for what is none, and for "1,250", which is a quarter more than one
 * here and a thousand and more there: whoever reads it must ask.
 */
export function numberOf(text: string | number | null | undefined): number {
  if (typeof text === 'number') return text
  const typed = (text ?? '').trim().replace(/[\u00a0\u202f ](?=\d{3})/g, '')
  if (!/^[-+]?(\d+([.,]\d*)?|[.,]\d+)$/.test(typed)) return Number.NaN
  if (/^[-+]?[1-9]\d{0,2},\d{3}$/.test(typed)) return Number.NaN
  return Number(typed.replace(',', '.'))
}

/** The same where nothing typed means nothing said. */
export function numberOrNone(text: string | number | null | undefined): number | undefined {
  return String(text ?? '').trim() === '' ? undefined : numberOf(text)
}

/** How many decimals a currency has: two for most, none for yen. */
export function minorDigits(currency: string): number {
  return new Intl.NumberFormat('en', { style: 'currency', currency }).resolvedOptions().maximumFractionDigits ?? 2
}

/** An amount in minor units as it was typed in major ones; `NaN` for what is none, or is finer than the currency. */
export function moneyOf(text: string | number | null | undefined, currency: string): number {
  const minor = numberOf(text) * 10 ** minorDigits(currency)
  return Math.abs(minor - Math.round(minor)) < 1e-6 ? Math.round(minor) : Number.NaN
}

/** An amount in minor units as it would be typed: "17.50", "900". */
export function typedMoney(minor: number, currency: string): string {
  const digits = minorDigits(currency)
  const major = (minor / 10 ** digits).toFixed(digits)
  return major.replace(/\.0+$/, '')
}

/**
 * An amount in minor units of one currency in those of another, exact to the minor unit, halves up; `NaN` where the rate is none.
 * @param rate units of the other for one of it, as it was typed
 */
export function exchanged(minor: number, from: string, rate: string, to: string): number {
  const typed = numberOf(rate)
  if (Number.isNaN(minor) || !(typed > 0)) return Number.NaN
  const [whole = '', part = ''] = rate.trim().replace(',', '.').split('.')
  const above = BigInt(minor) * BigInt(whole + part || '0') * 10n ** BigInt(minorDigits(to))
  const below = 10n ** BigInt(part.length + minorDigits(from))
  return Number((2n * above + below) / (2n * below))
}

/** Why a text is not taken as a number; empty if it is. */
export function whyNoNumber(text: string, example = '12.5'): string {
  if (!Number.isNaN(numberOf(text))) return ''
  return /,\d{3}$/.test(text.trim())
    ? `“${text.trim()}” can be read in two ways. Type ${text.trim().replace(',', '')} or ${text.trim().replace(',', '.')}.`
    : `“${text.trim()}” is no number. Type it like ${example}.`
}

/** A time of the day as people type it, “9”, “9:30”, “17.30”, “0930”, as it is kept: "09:30:00". Empty for what is none. */
export function timeOf(text: string): string {
  const typed = /^(\d{1,2})(?:\s*[:.h]?\s*(\d{2}))?\s*$/.exec(text.trim())
  if (!typed) return ''
  const [hour, minute] = [Number(typed[1]), Number(typed[2] ?? 0)]
  return hour < 24 && minute < 60 ? `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}:00` : ''
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday']

/**
 * A date as people type it, day before month: "19 Dec", "19.12.2026", "19/12", "2026-12-19", "tomorrow", "Fri". Without a year it is
 * the next one. As it is kept: "2026-12-19"; empty for what is none.
 * @param today as it is kept
 */
export function dateTyped(text: string, today: string): string {
  const typed = text.trim().toLowerCase()
  const [thisYear = 0] = today.split('-').map(Number)
  const after = (days: number) =>
    new Date(Date.parse(`${today}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10)
  if (typed === 'today') return today
  if (typed === 'tomorrow') return after(1)
  const weekday = WEEKDAYS.findIndex((d) => typed.length >= 3 && d.startsWith(typed))
  if (weekday >= 0) return after(((weekday - new Date(`${today}T00:00:00Z`).getUTCDay() + 6) % 7) + 1)
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(typed)
  if (iso) return whole(Number(iso[1]), Number(iso[2]), Number(iso[3]))
  const parts = /^(\d{1,2})(?:(?:st|nd|rd|th)?\s*([a-z]{3,9})|[\s./-]+(\d{1,2}))\.?[\s./,-]*(\d{4}|\d{2})?$/.exec(typed)
  if (!parts) return ''
  const month = parts[2] ? MONTHS.indexOf(parts[2].slice(0, 3)) + 1 : Number(parts[3])
  const day = Number(parts[1])
  if (parts[4]) return whole(Number(parts[4].length === 2 ? `20${parts[4]}` : parts[4]), month, day)
  const next = whole(thisYear, month, day)
  return next && next < today ? whole(thisYear + 1, month, day) : next
}

/** Whether it is a date as it is kept. */
export const isDate = (text: string) => /^\d{4}-\d\d-\d\d$/.test(text)

/** A day that there is; empty for the 31st of June. */
function whole(year: number, month: number, day: number): string {
  const at = new Date(Date.UTC(year, month - 1, day))
  return at.getUTCFullYear() === year && at.getUTCMonth() === month - 1 && at.getUTCDate() === day
    ? at.toISOString().slice(0, 10)
    : ''
}

/** The date on the shop’s calendar, as it is kept. */
export function todayIn(zone: string, now = Date.now()): string {
  return new Intl.DateTimeFormat('en-CA', { timeZone: zone, year: 'numeric', month: '2-digit', day: '2-digit' }).format(
    now,
  )
}

/** The instant at which the shop’s clock shows a date and a time, whatever the zone of this browser. */
export function instantIn(zone: string, date: string, time: string): string {
  const wanted = Date.parse(`${date}T${time}Z`)
  let at = wanted
  for (let again = 0; again < 2; again++) at += wanted - shownIn(zone, at) // twice: the first try may stand beyond a change of the clocks
  return new Date(at).toISOString()
}

/** What a clock in the zone shows, as if it were UTC. */
function shownIn(zone: string, at: number): number {
  const parts = Object.fromEntries(
    new Intl.DateTimeFormat('en-GB', {
      timeZone: zone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      second: '2-digit',
    })
      .formatToParts(at)
      .map((part) => [part.type, part.value]),
  )
  return Date.parse(`${parts.year}-${parts.month}-${parts.day}T${parts.hour}:${parts.minute}:${parts.second}Z`)
}
