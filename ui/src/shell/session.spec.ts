import { beforeEach, describe, expect, it } from 'vitest'
import { standInServer } from '../api/server.testing'
import { person, pick } from './person'
import { leave, loadSession, outside, owns, session, signedOut } from './session'

const open = { closed: false, first: false, demo: false, pins: [] }
const answers: Record<string, unknown> = {}
standInServer(answers)
const says = async (said: object) => {
  answers['GET /api/session'] = { ...open, ...said }
  await loadSession()
}

describe('who is here', () => {
  beforeEach(() => {
    session.value = undefined
    pick(undefined)
  })

  it('is nobody’s question where only this machine can reach the kettle', async () => {
    pick(2)
    await says({})
    expect(outside.value).toBe(false)
    expect(owns.value).toBe(true)
    expect(person.value).toBe(2)
  })

  it('is asked in a network, and an owner is offered more than a hand', async () => {
    await says({ closed: true })
    expect(outside.value).toBe(true)
    expect(owns.value).toBe(false)
    await says({ closed: true, person: 3, name: 'Tansy', role: 'HAND' })
    expect([outside.value, owns.value, person.value]).toEqual([false, false, 3])
    await says({ closed: true, person: 1, name: 'Wren', role: 'OWNER' })
    expect(owns.value).toBe(true)
  })

  it('is asked again once the server knows them no more, and after they left', async () => {
    await says({ closed: true, person: 3, name: 'Tansy', role: 'HAND' })
    signedOut()
    expect(outside.value).toBe(true)
    await says({ closed: true, person: 3, name: 'Tansy', role: 'HAND' })
    answers['DELETE /api/session'] = { ...open, closed: true }
    await leave()
    expect(outside.value).toBe(true)
    expect(person.value).toBeUndefined()
  })
})
