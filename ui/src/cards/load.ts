/** One load of a syringe as a cell keeps it: its mL, and whether air came with it. */
const AIR = ' air'

export function withAir(mL: string, air: boolean): string {
  return air ? mL + AIR : mL
}

export function hasAir(value: string): boolean {
  return value.endsWith(AIR)
}

/** 0 for a cell that is open still. */
export function mLOf(value: string | undefined): number {
  return value === undefined ? 0 : Number(hasAir(value) ? value.slice(0, -AIR.length) : value)
}
