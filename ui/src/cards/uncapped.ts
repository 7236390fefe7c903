import type { Schemas } from '../api/client'

/** Minutes in the air, and on one wetting of its cloth, from which it is said aloud. */
export const BARE_LIMIT = 15
export const CLOTH_LIMIT = 30

const since = (from: string, now: number) => Math.max(0, Math.floor((now - new Date(from).getTime()) / 60000))

/**
 * How long the head has been off its dock, and what to do about it before its limit is reached.
 *
 * @param now ms
 * @returns nothing while it is docked
 */
export function uncappedWords(
  card: Pick<Schemas['CardJson'], 'uncappedSince' | 'clothSince'> | undefined,
  now: number,
): { words: string; late: boolean } | undefined {
  if (!card?.uncappedSince) return undefined
  if (card.clothSince) {
    const minutes = since(card.clothSince, now)
    const wettings = Math.floor(minutes / CLOTH_LIMIT)
    return wettings > 0
      ? { words: `head on its wet cloth for ${minutes} min: wet it again`, late: minutes % CLOTH_LIMIT < 10 }
      : { words: `head on its wet cloth for ${minutes} min`, late: false }
  }
  const minutes = since(card.uncappedSince, now)
  return minutes >= BARE_LIMIT
    ? { words: `head open to the air for ${minutes} min: dock it, or lay a wet cloth under it`, late: true }
    : { words: `head open to the air for ${minutes} min`, late: true }
}
