import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { paperKinds } from '#contract/api/papers'
import { exampleRunId as runId } from '#contract/events/example-ids'
import { goodBodies, hostileValues, pathsIn, withValue } from '../../harness/cases/good-events'
import { sampleOf } from '../../harness/long'
import { openCase, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

/**
 * Whatever is sent is taken or refused in words; and what was taken can still be read, planned and printed. Every value everywhere is tried
 * in process (tests/contract); here a few of each kind go all the way.
 */
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

  let opened: OpenedCase
  before(async () => {
    opened = await openCase(client)
    await client.send(opened.caseStream, 'run-started', { runId, withoutPlan: 'no plan in this test' })
  })

  for (const kind of (Object.keys(goodBodies) as EventKindId[]).filter((one) => one !== 'plan')) {
    it(`${kind}: is taken or refused in words`, async function () {
      this.timeout(60_000)
      const tries = pathsIn(goodBodies[kind], 3).flatMap((path) => hostileValues.map((value) => ({ path, value })))
      for (const { path, value } of sampleOf(tries, 3, 40)) {
        const answer = await client.send(streamOf(kind, opened), kind, withValue(goodBodies[kind], path, value))
        expectInWords(answer, `${path.join('/')} = ${JSON.stringify(value).slice(0, 80)}: ${JSON.stringify(answer.body).slice(0, 300)}`)
      }
    })
  }

  it('what was taken can be read, is on the Board, and is printed', async () => {
    const { status, body } = await client.get(`/api/cases/${opened.caseStream.id}`)
    expect(status).to.equal(200)
    expect(Number(body['version']), 'something was taken').to.be.greaterThan(2)
    expect((await client.get('/api/board')).status).to.equal(200)
    for (const paper of paperKinds) {
      const printed = await client.getBytes(`/api/cases/${opened.caseStream.id}/papers/${paper}.pdf`)
      expect(printed.status, paper).to.be.oneOf([200, 409])
    }
  })
})
