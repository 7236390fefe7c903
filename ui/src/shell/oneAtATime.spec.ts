import { describe, expect, it } from 'vitest'
import { oneAtATime } from './oneAtATime'

describe('work that runs one at a time', () => {
  it('makes one tap of a double tap, and can be done again afterwards', async () => {
    let done = 0
    const { run, busy } = oneAtATime(async () => {
      done++
      await Promise.resolve()
    })
    const first = run()
    expect(busy.value).toBe(true)
    await Promise.all([first, run()])
    expect(done).toBe(1)
    await run()
    expect(done).toBe(2)
  })

  it('is free again after a failure', async () => {
    const { run, busy } = oneAtATime(() => Promise.reject(new Error('no ink')))
    await expect(run()).rejects.toThrow('no ink')
    expect(busy.value).toBe(false)
  })
})
