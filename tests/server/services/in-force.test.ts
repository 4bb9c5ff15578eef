import { expect } from 'chai'
import { defaultProtocol } from '#core/quantities/defaults'
import { v7 as uuidv7 } from 'uuid'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { toClinicalCase } from '#ward/case/clinical-case'
import type { BoardRow } from '#contract/api/board'
import { openCase, reading, startHarness, type Answer, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

/** Who may change what once a plan is accepted, and what the Board says of it. */
describe('a case with a plan in force', () => {
  let harness: Harness
  let ada: Client
  let tobin: Client
  let opened: OpenedCase
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
    tobin = await harness.signIn('tobin', ['trainee'])
  })
  after(() => harness.stop())
  beforeEach(async () => {
    opened = await openCase(ada)
    const girths = {
      'slab-path': 58,
      'ankle-girth': 25,
      'calf-girth': 38,
      'below-knee-girth': 34,
      'heel-instep-girth': 34,
      'toe-girth': 24,
    }
    for (const [id, value] of Object.entries(girths))
      await ada.send(opened.caseStream, 'reading', reading(id, id === 'slab-path' ? 'right' : 'left', value))
  })

  const fetchCase = async () =>
    (await ada.get(`/api/cases/${opened.caseStream.id}`)).body as unknown as {
      record: CaseRecord
      version: number
      episode: EpisodeRecord
      episodeVersion: number
    }
  const pathsOf = (answer: Answer): readonly string[] => ((answer.body['errors'] ?? []) as { path: string }[]).map((one) => one.path)
  async function accept(): Promise<void> {
    const { record, episode, version } = await fetchCase()
    const plan = await harness.planner.planWhole(toClinicalCase(record, episode), defaultProtocol)
    expect((await ada.send(opened.caseStream, 'plan', { plan: JSON.parse(JSON.stringify(plan)) as object }, version)).status).to.equal(200)
  }
  const injure = async (who: Client, change: object, more: object = {}): Promise<Answer> => {
    const { episode, episodeVersion } = await fetchCase()
    const injury = { ...episode.injuries[opened.injuryId], ...change }
    return who.send(opened.episodeStream, 'injury', { injuryId: opened.injuryId, injury, ...more }, episodeVersion)
  }
  const row = async (): Promise<BoardRow | undefined> =>
    ((await ada.get('/api/board')).body as unknown as { rows: BoardRow[] }).rows.find((one) => one.caseId === opened.caseStream.id)

  it('lets a trainee add a flag, and leaves side, options, orders and taking away to a clinician', async () => {
    expect((await injure(tobin, { flags: ['fresh'] })).status).to.equal(200)
    await accept()
    expect((await injure(tobin, { flags: ['fresh', 'numb'] })).status).to.equal(200)
    expect((await injure(tobin, { flags: ['numb'] })).status).to.equal(403)
    expect((await injure(tobin, { side: 'right' })).status).to.equal(403)
    const { version, episodeVersion } = await fetchCase()
    for (const [kind, body] of [
      ['options', { options: { extent: 'above-knee' } }],
      ['orders', { orders: {} }],
    ] as const) {
      const refused = await tobin.send(opened.caseStream, kind, body, version)
      expect(refused.status, kind).to.equal(403)
      expect(refused.body['detail']).to.include('clinician')
    }
    expect((await tobin.send(opened.episodeStream, 'flags', { flags: ['diabetes'] }, episodeVersion)).status).to.equal(200)
    expect((await tobin.send(opened.episodeStream, 'flags', { flags: [] }, episodeVersion + 1)).status).to.equal(403)
    expect((await ada.send(opened.episodeStream, 'flags', { flags: [] }, episodeVersion + 1)).status).to.equal(200)
  })

  it('keeps what was accepted while readings change, and says on the Board what waits', async () => {
    await accept()
    const before = (await fetchCase()).record.accepted
    await ada.send(opened.episodeStream, 'round', {
      cases: [opened.caseStream.id],
      isBaseline: true,
      outcome: 'done',
      reason: '',
      findings: { limbs: [{ limb: 'leg', side: 'left', pulse: 'absent' }] },
    })
    expect((await fetchCase()).record.accepted).to.deep.equal(before)
    expect(await row()).to.include({ level: 'urgent' })
    expect((await row())?.standingCount).to.be.greaterThan(1)
  })

  it('shows a stop of the plan on the Board before anything is accepted, and takes it away with its cause', async () => {
    expect((await injure(ada, { flags: ['fresh', 'skin-tented'] })).status).to.equal(200)
    expect(await row()).to.include({ level: 'stop' })
    expect((await injure(ada, { flags: ['fresh'] })).status).to.equal(200)
    expect((await row())?.level).not.to.equal('stop')
  })

  it('begins without a plan only for a clinician who says why', async () => {
    const start = (who: Client, more: object): Promise<Answer> => who.send(opened.caseStream, 'run-started', { runId: uuidv7(), ...more })
    expect(pathsOf(await start(ada, {}))).to.deep.equal(['body/withoutPlan'])
    expect((await start(tobin, { withoutPlan: 'bleeding through' })).status).to.equal(403)
    expect((await start(ada, { withoutPlan: 'bleeding through' })).status).to.equal(200)
    expect((await row())?.finding).to.include('bleeding through')
    await accept()
    expect((await row())?.finding ?? '').not.to.include('bleeding through')
  })

  it('asks why side or pattern change once they were read aloud', async () => {
    await accept()
    const { record } = await fetchCase()
    const runId = uuidv7()
    await ada.send(opened.caseStream, 'run-started', { runId, plan: record.accepted!.plan })
    await ada.send(opened.caseStream, 'step', { runId, stepId: 'identity', outcome: 'done', reason: '' })
    expect(pathsOf(await injure(ada, { side: 'right' }))).to.deep.equal(['body/reason'])
    expect((await injure(ada, { swelling: 'marked' })).status).to.equal(200)
    expect((await injure(ada, { side: 'right' }, { reason: 'read from the wrong film' })).status).to.equal(200)
    const change = { from: 'LEFT ankle', to: 'RIGHT ankle', reason: 'read from the wrong film', isOtherLimb: true }
    expect((await tobin.send(opened.caseStream, 'side-changed', change)).status).to.equal(403)
    expect((await ada.send(opened.caseStream, 'side-changed', change)).status).to.equal(200)
    expect((await fetchCase()).record.accepted).to.equal(null)
    expect(await row()).to.include({ level: 'stop' })
    expect((await tobin.send(opened.caseStream, 'identity-checked', { words: 'RIGHT ankle' })).status).to.equal(200)
    expect((await row())?.finding ?? '').not.to.include('was changed')
  })

  it('refuses a decision of more than four hours or about nothing', async () => {
    const saw = [{ id: 'leg-left/pulse', level: 'urgent' }]
    const decision = { by: 'Sorrel Vane', how: 'telephone', answer: 'leave', what: 'theatre', saw, forMin: 60 }
    expect((await tobin.send(opened.caseStream, 'senior-decision', decision)).status).to.equal(200)
    expect((await tobin.send(opened.caseStream, 'senior-decision', { ...decision, forMin: 241 })).status).to.equal(422)
    expect(
      (await tobin.send(opened.caseStream, 'senior-decision', { ...decision, saw: [{ id: 'leg-left/toes', level: 'urgent' }] })).status,
    ).to.equal(422)
    expect((await tobin.send(opened.caseStream, 'response', { action: 'open-to-skin', outcome: 'not-done', why: '' })).status).to.equal(422)
  })
})
