import { flushPromises, mount } from '@vue/test-utils'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { refusal } from '../api/server.testing'
import SendPicture from './SendPicture.vue'

const answers: (() => Response)[] = []
const asked: string[] = []
beforeEach(() => {
  answers.length = 0
  asked.length = 0
  vi.stubGlobal('fetch', async (request: Request) => {
    asked.push(request.url)
    return (answers.shift() ?? (() => Response.json({})))()
  })
})
afterEach(() => vi.unstubAllGlobals())

const read = () => Response.json({ id: 1, looks: [], doubts: [], machineName: 'Sorrel', alsoRead: [] })
async function drop(...names: string[]) {
  const shown = mount(SendPicture, { props: { machine: 4 } })
  await shown.get('.drop').trigger('drop', { dataTransfer: { files: names.map((n) => new File(['x'], n)) } })
  await flushPromises()
  return shown
}

const words = (shown: Awaited<ReturnType<typeof drop>>) => shown.findAll('.sent li span').map((s) => s.text())

describe('sending pictures', () => {
  it('reads several, one after the other, each with its own word', async () => {
    answers.push(read, () =>
      Response.json({ id: 2, looks: [], doubts: [], whyNot: 'No mark of ours is in the picture.', alsoRead: [] }),
    )
    const shown = await drop('one.jpg', 'two.jpg')
    expect(asked).toHaveLength(2)
    expect(asked[0]).toContain('machine=4')
    expect(asked[0]).toContain('keep=true')
    expect(words(shown)).toEqual(['read and filed with Sorrel', 'No mark of ours is in the picture.'])
    expect(shown.emitted('read')).toHaveLength(2)
  })

  it('says how many come before it while it waits', async () => {
    vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval'] })
    let done: (answer: Response) => void = () => undefined
    const before = [{ before: 3 }, { before: 1 }, {}]
    vi.stubGlobal('fetch', (request: Request) => {
      if (!request.url.includes('/waiting')) return new Promise<Response>((resolve) => (done = resolve))
      asked.push(request.url)
      return Promise.resolve(Response.json(before.shift()))
    })
    const shown = await drop('one.jpg')
    expect(words(shown)).toEqual(['is being read …'])
    for (const said of ['waits: 3 before yours', 'waits: 1 before yours', 'is being read …']) {
      vi.advanceTimersByTime(800)
      await flushPromises()
      expect(words(shown)).toEqual([said])
    }
    done(read())
    await flushPromises()
    expect(words(shown)).toEqual(['read and filed with Sorrel'])
    vi.advanceTimersByTime(8000)
    expect(asked, 'and asks no more').toHaveLength(3)
    vi.useRealTimers()
  })

  it('says of a second sheet in the same picture where it went', async () => {
    answers.push(() =>
      Response.json({
        id: 1,
        looks: [],
        doubts: [],
        machineName: 'Sorrel',
        alsoRead: [
          { id: 2, machineName: 'Teasel' },
          { id: 3, whyNot: 'Two copies of one sheet are in the picture.' },
        ],
      }),
    )
    expect(words(await drop('both.jpg'))).toEqual([
      'read and filed with Sorrel; another with Teasel; another sheet was not read: Two copies of one sheet are in the picture.',
    ])
  })

  it('says why one was refused, and reads the next', async () => {
    answers.push(() => refusal('This is no JPEG, PNG, TIFF or PDF.', 'picture'), read)
    const shown = await drop('virus.exe', 'fine.png')
    expect(words(shown)[0]).toContain('This is no JPEG')
    expect(shown.emitted('read')).toHaveLength(1)
  })

  it('offers the camera of a phone', () => {
    const shown = mount(SendPicture)
    expect(shown.get('input[aria-label="Camera"]').attributes('capture')).toBe('environment')
  })
})
