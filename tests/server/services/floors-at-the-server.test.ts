import { expect } from 'chai'
import { goodBodies } from '../../harness/cases/good-events'
import { openCase, reading, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const setup = { waterC: 22, roomC: 21, people: 3, backing: 'air', packSetMin: null, wearDays: null }

describe('a floor of safety at the server', () => {
  let harness: Harness
  let client: Client
  before(async () => {
    harness = await startHarness()
    client = await harness.signIn('ada', ['clinician'])
  })
  after(() => harness.stop())

  const setAside = (opened: OpenedCase, caution: string): Promise<Answer> =>
    client.send(opened.caseStream, 'overrule', { caution, reason: 'as told by the house' })
  const isRefused = async (opened: OpenedCase, caution: string): Promise<void> => {
    const answer = await setAside(opened, caution)
    expect(answer.status, JSON.stringify(answer.body)).to.equal(422)
    expect(JSON.stringify(answer.body)).to.include(`${caution} is a floor of safety and cannot be set aside`)
  }

  it('is asked of the plan: water that burns', async () => {
    const opened = await openCase(client)
    await client.send(opened.caseStream, 'setup', { ...setup, waterC: 40 })
    await isRefused(opened, 'hot-water')
  })

  it('a front that swelling needs open', async () => {
    const opened = await openCase(client)
    await client.send(opened.caseStream, 'reading', reading('slab-path', 'right', 58))
    await client.send(opened.caseStream, 'reading', reading('calf-girth', 'left', 38))
    await client.send(opened.caseStream, 'overrule', { decision: 'ankle-fold', value: 0, reason: 'it lies well' })
    await isRefused(opened, 'front-gap')
  })

  it('a weight over the leg', async () => {
    const opened = await openCase(client, 'suspended-ring-traction')
    await client.send(opened.episodeStream, 'patient', { ...goodBodies.patient, massKg: 82, heightCm: 174 })
    for (const [id, value] of [
      ['inside-leg', 79],
      ['outer-leg', 87],
      ['oblique-groin-girth', 52],
      ['calf-girth', 37],
      ['ankle-girth', 23],
    ] as const)
      await client.send(opened.caseStream, 'reading', reading(id, 'right', value))
    const answer = await client.send(opened.caseStream, 'setup', { ...setup, rig: { onwardCm: [] } })
    expect(answer.status, JSON.stringify(answer.body)).to.equal(200)
    await isRefused(opened, 'weight-over-leg')
  })

  it('and what is none is set aside with a reason', async () => {
    const opened = await openCase(client)
    await client.send(opened.caseStream, 'setup', { ...setup, backing: 'pillow' })
    expect((await setAside(opened, 'pillow')).status).to.equal(200)
  })
})
