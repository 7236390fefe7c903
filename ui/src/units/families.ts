/** The ink families, as the bench says them. */
export const FAMILIES = [
  { value: 'MAKERS_DYE', text: 'maker’s dye' },
  { value: 'MAKERS_PIGMENT', text: 'maker’s pigment' },
  { value: 'SUBLIMATION', text: 'sublimation' },
  { value: 'FILM', text: 'film' },
  { value: 'EDIBLE', text: 'edible' },
] as const

export type Family = (typeof FAMILIES)[number]['value']

export function familyName(family: string): string {
  return FAMILIES.find((f) => f.value === family)?.text ?? family
}
