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
