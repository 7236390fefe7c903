const KEPT = 'kettle.renewed'
const GONE = /dynamically imported module|module script failed|preload css/i // the words of three browsers

/** A page was shown: the next that is gone is asked for anew, whichever it is. */
export const shown = () => sessionStorage.removeItem(KEPT)

/**
 * A tab that is older than its server asks for code that is there no more: it is loaded anew, at the page it was to go to. Once
 * for a page, or a server that is only half there would be asked for ever.
 *
 * @return whether it is
 */
export function renew(error: unknown, to: string, go: (to: string) => void = (to) => location.assign(to)): boolean {
  if (!GONE.test(String(error)) || sessionStorage.getItem(KEPT) === to) return false
  sessionStorage.setItem(KEPT, to)
  go(to)
  return true
}
