import { flushPromises, mount } from '@vue/test-utils'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { refusal, standInServer } from '../api/server.testing'
import RehearsalView from './RehearsalView.vue'

vi.mock('vue-router', () => ({ useRoute: () => ({ params: { machine: '6' }, query: { to: 'SUBLIMATION' } }) }))

const after = {
  power: 'on',
  head: 'docked',
  gloves: true,
  open: ['towels on the bench'],
  tanks: [{ channel: 'K', share: 0.8 }],
}
const step = (id: string, title: string, choices: unknown[]) => ({
  id,
  part: 'Open up',
  title,
  say: `${title}, slowly.`,
  minutes: 4,
  looks: ['one look'],
  words: [{ term: 'carriage', words: 'the slide that carries the head' }],
  choices,
  after,
})
const answers: Record<string, unknown> = {}
standInServer(answers)

async function view() {
  const shown = mount(RehearsalView, { global: { stubs: { RouterLink: { template: '<a><slot /></a>' } } } })
  await flushPromises()
  return shown
}
const press = (shown: Awaited<ReturnType<typeof view>>, words: string) =>
  shown
    .findAll('button')
    .find((b) => b.text().startsWith(words))!
    .trigger('click')

describe('a rehearsal', () => {
  beforeEach(() => {
    answers['GET /api/machines/6/rehearsal'] = {
      machine: 6,
      name: 'Thistle',
      title: 'Drain and swap',
      steps: [
        step('bench', 'Cover the bench', [{ title: 'Cover the bench', harm: [] }]),
        step('free', 'Free the carriage', [
          { title: 'Free the carriage', harm: [] },
          { title: 'Screws out', harm: [{ what: 'Somebody gets hurt', words: 'covers are opened under power' }] },
        ]),
      ],
    }
  })

  it('leads through a step that nothing else tempts from, in a beginner’s words', async () => {
    const shown = await view()
    expect(shown.text()).toContain('Cover the bench, slowly.')
    expect(shown.text()).toContain('the slide that carries the head')
  })

  it('says what a wrong act would have done, and goes no further', async () => {
    const shown = await view()
    await press(shown, 'Done')
    expect(shown.text()).toContain('What do your hands do now?')
    await press(shown, 'Screws out')
    expect(shown.get('[role=alert]').text()).toContain('Somebody gets hurt: covers are opened under power.')
    expect(shown.get('[data-rehearsed]').attributes('data-rehearsed')).toBe('free')
  })

  it('counts at the end what went wrong, and harmed nobody', async () => {
    const shown = await view()
    await press(shown, 'Done')
    await press(shown, 'Screws out')
    await press(shown, 'Free the carriage')
    await press(shown, 'Done')
    expect(shown.text()).toContain('1 wrong act, and no machine harmed.')
    expect(shown.text()).toContain('Screws out instead of “Free the carriage”: somebody gets hurt')
  })

  it('shows the simulated machine as it stands', async () => {
    const shown = await view()
    await press(shown, 'Done')
    expect(shown.get('[aria-label="The simulated machine"]').text()).toContain('towels on the bench')
    expect(shown.get('.tanks').attributes('aria-label')).toBe('K 80 %')
  })

  it('says why there is nothing to rehearse', async () => {
    answers['GET /api/machines/6/rehearsal'] = refusal('It holds this ink already.', '')
    const shown = await view()
    expect(shown.get('[role=alert]').text()).toContain('It holds this ink already.')
  })
})
