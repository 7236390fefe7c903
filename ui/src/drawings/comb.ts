export interface Tooth {
  /** first and last nozzle it stands for, counted from 0 */
  from: number
  to: number
  missing: number
}

/**
 * A comb with no more teeth than can be told apart. A tooth stands for a run of nozzles and is missing if any of them is:
 * a gap must never vanish because the drawing is small.
 */
export function teeth(nozzles: number, missing: number[], most: number): Tooth[] {
  const count = Math.min(nozzles, Math.max(1, most))
  return Array.from({ length: count }, (_, i) => {
    const from = Math.floor((i * nozzles) / count)
    const to = Math.floor(((i + 1) * nozzles) / count) - 1
    return { from, to, missing: missing.filter((n) => n >= from && n <= to).length }
  })
}

/** "whole", or "3 of 180 missing". */
export function verdict(nozzles: number, missing: number): string {
  return missing === 0 ? 'whole' : `${missing} of ${nozzles} missing`
}
