import type { Schemas } from '../api/client'
import { minutes as told } from '../units/format'

/** Share of its limit in the air, and minutes on one wetting of its cloth, from which it is said aloud. */
export const BARE_SHARE = 0.75
export const CLOTH_LIMIT = 30
/** Minutes on a cloth after which it may have dried out all the same. */
export const CLOTH_NIGHT = 8 * 60

const since = (from: string, now: number) => Math.max(0, Math.floor((now - new Date(from).getTime()) / 60000))

/**
 * How long the head has been off its dock, and what to do about it before its limit is reached.
 *
 * @param now ms
 * @returns nothing while it is docked
 */
export function uncappedWords(
  card: Pick<Schemas['CardJson'], 'uncappedSince' | 'clothSince' | 'bareLimit'> | undefined,
  now: number,
): { words: string; late: boolean } | undefined {
  if (!card?.uncappedSince) return undefined
  if (card.clothSince) {
    const minutes = since(card.clothSince, now)
    const words = `head on its wet cloth for ${told(minutes)}`
    if (minutes >= CLOTH_NIGHT)
      return { words: `${words}: wet it now, and dock it before you leave it again`, late: true }
    return minutes >= CLOTH_LIMIT
      ? { words: `${words}: wet it again`, late: minutes % CLOTH_LIMIT < 10 }
      : { words, late: false }
  }
  const minutes = since(card.uncappedSince, now)
  const words = `head open to the air for ${told(minutes)} of ${told(card.bareLimit)}`
  return minutes >= BARE_SHARE * card.bareLimit
    ? { words: `${words}: dock it, or lay a wet cloth under it`, late: true }
    : { words, late: true }
}
