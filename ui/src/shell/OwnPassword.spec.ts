import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { refusal, standInServer } from '../api/server.testing'
import OwnPassword from './OwnPassword.vue'

const answers: Record<string, unknown> = {}
const sent = standInServer(answers)
const asked = 'PUT /api/session/password'

async function changed(old: string, password: string) {
  const form = mount(OwnPassword)
  await form.get('#own-old').setValue(old)
  await form.get('#own-new').setValue(password)
  await form.get('form').trigger('submit')
  await flushPromises()
  return form
}

describe('another password for oneself', () => {
  it('is taken with the one before, and neither is left standing', async () => {
    answers[asked] = { closed: true, first: false, demo: false, person: 1, name: 'Wren', pins: [] }
    const form = await changed('the old words', 'the new words')
    expect(sent.find((s) => s.what === asked)?.body).toEqual({ old: 'the old words', password: 'the new words' })
    expect(form.get('[role=status]').text()).toContain('It is changed')
    expect(form.findAll('input').map((i) => i.element.value)).toEqual(['', ''])
  })

  it('that is too short is said at its field, and what was typed stays', async () => {
    answers[asked] = refusal('At least ten letters.', 'password')
    const form = await changed('the old words', 'short')
    expect(form.text()).toContain('At least ten letters.')
    expect(form.find('[role=status]').exists()).toBe(false)
    expect(form.get<HTMLInputElement>('#own-new').element.value).toBe('short')
  })
})
