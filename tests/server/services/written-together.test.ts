import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { eventKinds, type EventKindId } from '#contract/events/index'
import { foldCase } from '#contract/events/fold'
import type { CountersignAnswer } from '#contract/api/countersign'
import type { CaseRecord } from '#contract/records/case'
import { defineModels } from '../../../src/server/db/models'
import { verifyDatabase } from '../../../src/server/services/verify-database'
import { isPlain } from '../../../src/server/writing/write-plain-events'
import { createChanges } from '../../../src/server/repositories/changes'
import { exampleOf } from '../../harness/cases/example-cases'
import { foldStay } from '../../harness/cases/fold-stay'
import { planFile } from '../../harness/cases/leg-slab-cases'
import { openCase, reading, startHarness, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

const kinds = Object.keys(eventKinds) as EventKindId[]
const plain = kinds.filter((kind) => isPlain({ kind, stream: { type: eventKinds[kind].stream, id: 'x' } }))

describe('events that are written together', () => {
  let harness: Harness
  let ada: Client
  let tobin: Client
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
    tobin = await harness.signIn('tobin', ['trainee'])
  })
  after(() => harness.stop())

  const read = async ({ caseStream }: OpenedCase) =>
    (await ada.get(`/api/cases/${caseStream.id}`)).body as { record: CaseRecord; version: number }

  it('are of kinds that touch nothing but their case: no acceptance, nothing that the server completes', () => {
    expect(plain).to.include.members(['reading', 'step', 'timer', 'note'])
    const { record, event } = foldStay()
    const accepted = foldCase(record, record.id, event('plan', { plan: planFile(exampleOf('leg-slab')) }, 1))
    expect(accepted.accepted).not.to.equal(null)
    for (const kind of plain) {
      const { isCompletedByServer, example, stream, nature } = eventKinds[kind] as (typeof eventKinds)[EventKindId] & {
        isCompletedByServer?: true
      }
      expect([kind, stream, nature, isCompletedByServer]).to.deep.equal([kind, 'case', 'additive', undefined])
      const after = foldCase(accepted, accepted.id, event(kind, example, 2))
      expect([kind, after.accepted === null], 'an acceptance that ends lets go of stock').to.deep.equal([kind, false])
    }
  })

  it('are kept each as if it had come alone: refused ones, repeated ones and unknown cases spoil nothing', async () => {
    const opened = await Promise.all(Array.from({ length: 3 }, () => openCase(ada)))
    const [first, second, removed] = opened as [OpenedCase, OpenedCase, OpenedCase]
    const early = { at: '2026-01-10T07:00:00Z' }
    await ada.sendAs(removed.caseStream, 'applied', {}, early)
    expect((await ada.sendAs(removed.caseStream, 'removed', eventKinds.removed.example, early)).status).to.equal(200)
    const repeatedId = uuidv7()
    const note = (client: Client, { caseStream }: OpenedCase, text: string, id = uuidv7()) =>
      client.sendAs(caseStream, 'note', { text }, { id })
    expect((await note(ada, first, 'twice', repeatedId)).status).to.equal(200)
    const { greatest } = await createChanges(harness.db).head()
    const asked = [
      ...Array.from({ length: 12 }, (_, index) => ada.send(first.caseStream, 'reading', reading('calf-girth', 'left', 36 + index / 10))),
      ada.send(removed.caseStream, 'reading', reading('calf-girth', 'left', 38)),
      note(ada, first, 'twice', repeatedId),
      note(ada, second, 'something else', repeatedId),
      ada.send({ type: 'case', id: uuidv7() }, 'note', { text: 'nowhere' }),
      note(tobin, second, 'by a trainee'),
      ...Array.from({ length: 6 }, (_, index) => note(ada, second, `note ${index}`)),
    ]
    const answers = await Promise.all(asked)
    expect(answers.map((answer) => answer.status)).to.deep.equal([
      ...Array.from({ length: 12 }, () => 200),
      409,
      200,
      422,
      404,
      200,
      ...Array.from({ length: 6 }, () => 200),
    ])
    expect((await read(first)).record.measurements.filter((measurement) => measurement.id === 'calf-girth')).to.have.length(12)
    expect((await read(first)).version).to.equal(1 + 12 + 1)
    expect((await read(second)).version).to.equal(1 + 1 + 6)
    expect(answers[13]?.body['version'], 'a repeat is told where the first one is').to.equal(2)
    const { groups } = (await ada.get('/api/countersign')).body as unknown as CountersignAnswer
    expect(groups.find((group) => group.caseId === second.caseStream.id)?.entries).to.have.length(1)
    const noted = (await createChanges(harness.db).after(greatest, 1000)).filter((one) => one.type === 'case')
    for (const one of [first, second])
      expect(
        new Set(noted.filter(({ id }) => id === one.caseStream.id).map(({ version }) => version)).size,
        'each is noted for whoever listens',
      ).to.equal((await read(one)).version - (one === first ? 2 : 1))
    expect((await verifyDatabase(harness.db, defineModels(harness.db))).faults).to.deep.equal([])
  })
})
