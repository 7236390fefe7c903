import { afterEach, beforeEach, vi } from 'vitest'
import { kept } from './useServer'

/** Changes that nobody sends. */
export class NoStream {
  addEventListener() {}
  close() {}
}

/** A server for one component: answers by method and path, and remembers what it was sent. */
export function standInServer(answers: Record<string, unknown>) {
  const sent: { what: string; body: unknown }[] = []
  beforeEach(() => {
    sent.length = 0
    kept.clear()
    vi.stubGlobal('EventSource', NoStream)
    vi.stubGlobal('fetch', async (request: Request) => {
      const what = `${request.method} ${new URL(request.url).pathname}`
      const text = await request.text()
      sent.push({ what, body: text ? JSON.parse(text) : undefined })
      const answer = answers[what]
      return answer instanceof Response ? answer.clone() : Response.json(answer ?? [])
    })
  })
  afterEach(() => vi.unstubAllGlobals())
  return sent
}

/** A refusal, as the server says it. */
export function refusal(detail: string, field: string): Response {
  return Response.json({ status: 400, detail, errors: [{ detail, field }] }, { status: 400 })
}
