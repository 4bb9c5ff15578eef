import { expect } from 'chai'
import { v7 as uuidv7 } from 'uuid'
import { QueryTypes } from 'sequelize'
import { defineModels } from '../../../src/server/db/models'
import { createLog } from '../../../src/server/ground/once-a-minute'
import { addPerson } from '../../../src/server/people/add-person'
import { hashPassword } from '../../../src/server/people/password'
import { createEventRepository } from '../../../src/server/repositories/events'
import { createPeopleRepository } from '../../../src/server/repositories/people'
import { createSignInFailures } from '../../../src/server/repositories/sign-in-failures'
import { createWorkerPool } from '../../../src/server/workers/pool'
import { itAtLength } from '../../harness/long'
import { openCase, password, startHarness, workerFile, type Client, type Harness, type OpenedCase } from '../../harness/server-harness'

/** Many at once, and one who asks for much: whoever works is served beside them. */
describe('crowds', function () {
  this.timeout(60_000)
  let harness: Harness
  let ada: Client
  before(async () => {
    harness = await startHarness()
    ada = await harness.signIn('ada', ['clinician'])
    await openCase(ada)
  })
  after(() => harness.stop())

  itAtLength(
    '120 sign-ins at once: some are let in, the others are asked to come back, and nobody is counted as wrong for it',
    async () => {
      const models = defineModels(harness.db)
      const deps = {
        db: harness.db,
        people: createPeopleRepository(models),
        events: createEventRepository(harness.db, models),
        clock: () => harness.now,
      }
      // At what a hash costs in earnest.
      const passwordHash = await hashPassword(password)
      await addPerson(deps, { id: uuidv7(), name: 'shift', signIn: 'shift', passwordHash, roles: ['clinician'] })
      const signIn = (device: number): Promise<Response> =>
        fetch(`${harness.address}/api/session`, {
          method: 'POST',
          headers: { 'content-type': 'application/json', 'x-wren-device': `tablet ${device}` },
          body: JSON.stringify({ name: 'shift', password }),
        })
      const all = Promise.all(Array.from({ length: 120 }, (_, device) => signIn(device)))
      const board = await ada.get('/api/board')
      const answers = await all
      const counts = new Map<number, number>()
      for (const { status } of answers) counts.set(status, (counts.get(status) ?? 0) + 1)
      expect(board.status).to.equal(200)
      expect([...counts.keys()].sort(), 'let in, or asked to come back').to.deep.equal([200, 503])
      expect(counts.get(200)).to.be.at.least(24)
      const refused = answers.find((answer) => answer.status === 503)
      if (!refused) throw new Error('nobody was asked to come back')
      expect(refused.headers.get('retry-after')).to.equal('2')
      expect(((await refused.json()) as { detail: string }).detail).to.include('Too many people sign in at this moment')
      // Whoever was asked to come back is let in then: no try was counted.
      for (const [device, { status }] of answers.entries()) if (status === 503) expect((await signIn(device)).status).to.equal(200)
    },
  )

  it('one session in twenty tabs is told to close some; another session listens beside it', async () => {
    const stops: AbortController[] = []
    const listen = async (client: Client): Promise<number> => {
      const stop = new AbortController()
      stops.push(stop)
      return (await fetch(`${harness.address}/api/stream`, { headers: { cookie: client.cookie }, signal: stop.signal })).status
    }
    try {
      for (let tab = 0; tab < 20; tab++) expect(await listen(ada), `tab ${tab}`).to.equal(200)
      expect(await listen(ada)).to.equal(429)
      expect(await listen(await harness.signIn('bram', ['clinician']))).to.equal(200)
    } finally {
      for (const stop of stops) stop.abort()
    }
  })

  it('old failures are swept whole, however many', async () => {
    const failures = createSignInFailures(harness.db)
    const old = new Date(harness.now - 7_200_000)
    const rows = Array.from({ length: 1_234 }, (_, at) => [`${at}`.padStart(64, '0'), 1, old, 'x', 'y'])
    await harness.db.query('INSERT INTO sign_in_failures (id, failures, until, sign_in, address) VALUES :rows', {
      type: QueryTypes.INSERT,
      replacements: { rows },
    })
    await failures.dropOld(new Date(harness.now))
    const [left] = await harness.db.query<{ count: number }>('SELECT COUNT(*) AS count FROM sign_in_failures WHERE until <= :old', {
      type: QueryTypes.SELECT,
      replacements: { old },
    })
    expect(Number(left?.count)).to.equal(0)
  })
})

describe('the log in an outage', () => {
  it('says one thing once a minute, how often it was left out, and every unexpected error with its number', () => {
    const lines: { msg: string; leftOut?: number }[] = []
    let nowMs = 0
    const log = createLog('warn', { write: (line: string) => void lines.push(JSON.parse(line) as (typeof lines)[number]) }, () => nowMs)
    for (let second = 0; second < 130; second++) {
      nowMs = second * 1_000
      log.error({ case: `case-${second}` }, 'the pager sender could not page')
      if (second % 60 === 0) log.error('the pager is not answering')
      if (second < 2) log.error({ errorId: second }, 'unexpected error')
    }
    const paging = lines.filter((line) => line.msg === 'the pager sender could not page')
    expect(paging.map((line) => line.leftOut)).to.deep.equal([undefined, 59, 59])
    expect(lines.filter((line) => line.msg === 'the pager is not answering')).to.have.length(3)
    expect(lines.filter((line) => line.msg === 'unexpected error')).to.have.length(2)
  })
})

describe('papers', function () {
  this.timeout(60_000)
  itAtLength('of many patients, twelve at once, keep nobody from a label at a bed; one person has two of them under way', async () => {
    const lanes = { ofCase: createWorkerPool(workerFile, { threads: 1, warm: 1 }), ofMany: createWorkerPool(workerFile, { threads: 1 }) }
    const harness = await startHarness({ app: { casePapers: lanes.ofCase, papers: lanes.ofMany } })
    try {
      const people: Client[] = []
      for (const name of ['ada', 'bram', 'cleo', 'dov', 'esme', 'finn']) people.push(await harness.signIn(name, ['clinician']))
      const [ada] = people
      const opened: OpenedCase[] = []
      for (let patient = 0; patient < 12; patient++) opened.push(await openCase(ada!))
      const label = (): Promise<{ readonly status: number }> =>
        ada!.getBytes(`/api/cases/${opened[0]!.caseStream.id}/papers/case-summary.pdf`)
      expect((await label()).status).to.equal(200)
      let arePacksDone = false
      const packs = Promise.all(people.flatMap((person) => [person, person].map((who) => who.getBytes('/api/downtime.pdf')))).then(
        (answers) => {
          arePacksDone = true
          return answers
        },
      )
      // They have to be under way.
      await new Promise((resolve) => setTimeout(resolve, 150))
      const third = await ada!.get('/api/downtime.pdf')
      expect([third.status, third.body['detail']]).to.deep.equal([
        429,
        'Two papers of yours are being printed: wait until they are there, then ask for this one.',
      ])
      expect((await label()).status).to.equal(200)
      expect(arePacksDone, 'the label came before the packs').to.equal(false)
      expect((await packs).map((answer) => answer.status)).to.deep.equal(Array.from({ length: 12 }, () => 200))
      expect((await ada!.getBytes('/api/downtime.pdf')).status, 'afterwards it is printed').to.equal(200)
    } finally {
      await harness.stop()
      await Promise.all([lanes.ofCase.close(), lanes.ofMany.close()])
    }
  })
})
