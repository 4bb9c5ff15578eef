import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { paperKinds } from '#contract/api/papers'
import { exampleRunId as runId } from '#contract/events/example-ids'
import { goodBodies, hostileValues, pathsIn, withValue } from '../contract/good-events'
import { openCase, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../harness/server-harness'

/** Whatever is sent is taken or refused in words; and what was taken can still be read, planned and printed. */
describe('nonsense over the API', () => {
  let harness: Harness
  let client: Client
  before(async () => {
    harness = await startHarness()
    client = await harness.signIn('ada', ['clinician', 'lead', 'admin'])
  })
  after(() => harness.stop())

  const streamOf = (kind: EventKindId, opened: OpenedCase) => {
    if (eventKinds[kind].nature === 'opening') return { type: eventKinds[kind].stream, id: uuidv7() }
    if (eventKinds[kind].stream === 'case') return opened.caseStream
    if (eventKinds[kind].stream === 'episode') return opened.episodeStream
    return { type: eventKinds[kind].stream, id: kind === 'settings' ? client.personId : uuidv7() }
  }
  const expectInWords = (answer: Answer, what: string): void => {
    expect(answer.status, what).to.be.lessThan(500)
    if (answer.status < 400) return
    expect(answer.headers.get('content-type'), what).to.include('application/problem+json')
    expect(answer.body['detail'], what)
      .to.be.a('string')
      .and.match(/[a-z].{8,}\.$/)
  }

  for (const kind of (Object.keys(goodBodies) as EventKindId[]).filter((one) => one !== 'plan')) {
    it(`${kind}: never breaks the server, and what it keeps can be worked with`, async function () {
      this.timeout(60_000)
      const opened = await openCase(client)
      await client.send(opened.caseStream, 'run-started', { runId })
      let kept = 0
      for (const path of pathsIn(goodBodies[kind], 3)) {
        for (const value of hostileValues) {
          const body = withValue(goodBodies[kind], path, value)
          const answer = await client.send(streamOf(kind, opened), kind, body)
          expectInWords(answer, `${path.join('/')} = ${JSON.stringify(value).slice(0, 80)}: ${JSON.stringify(answer.body).slice(0, 300)}`)
          if (answer.status === 200) kept++
        }
      }
      const record = await client.get(`/api/cases/${opened.caseStream.id}`)
      expect(record.status, `after ${kept} that were kept`).to.equal(200)
      expect((await client.get('/api/board')).status).to.equal(200)
      for (const paper of paperKinds) {
        const printed = await client.getBytes(`/api/cases/${opened.caseStream.id}/papers/${paper}.pdf`)
        expect(printed.status, paper).to.be.oneOf([200, 409])
      }
    })
  }
})
