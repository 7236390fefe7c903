import { beforeEach, describe, expect, it, vi } from 'vitest'
import { renew, shown } from './renew'

const gone = new TypeError('Failed to fetch dynamically imported module: http://kettle/assets/ShelfView-1.js')

describe('a tab that is older than its server', () => {
  beforeEach(() => sessionStorage.clear())

  it('is loaded anew at the page it was to go to', () => {
    const go = vi.fn()
    expect(renew(gone, '/shelf?lot=3', go)).toBe(true)
    expect(go).toHaveBeenCalledExactlyOnceWith('/shelf?lot=3')
  })

  it('asks once: a server that is half there is not asked for ever', () => {
    const go = vi.fn()
    renew(gone, '/shelf', go)
    expect(renew(gone, '/shelf', go)).toBe(false)
    expect(renew(gone, '/log', go)).toBe(true)
    expect(go).toHaveBeenCalledTimes(2)
  })

  it('asks again at the next upgrade', () => {
    const go = vi.fn()
    renew(gone, '/shelf', go)
    shown()
    expect(renew(gone, '/shelf', go)).toBe(true)
  })

  it('stays where something else went wrong', () => {
    const go = vi.fn()
    expect(renew(new Error('it is a mistake of ours'), '/shelf', go)).toBe(false)
    expect(go).not.toHaveBeenCalled()
  })
})
