/** Which entries of the log are looked at; what is left out is any. */
export interface Asked {
  machine?: number | undefined
  kind?: string | undefined
  person?: number | undefined
  lot?: number | undefined
  words?: string | undefined
  from?: string | undefined
  to?: string | undefined
}

/** Where the same entries, all of them, are had as a table. */
export function askedAsTable(asked: Asked): string {
  const said = Object.entries(asked).filter(([, value]) => value !== undefined)
  return `/api/log.csv?${new URLSearchParams(said.map(([name, value]) => [name, String(value)]))}`
}
