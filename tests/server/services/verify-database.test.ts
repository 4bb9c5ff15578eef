import { expect } from 'chai'
import { QueryTypes } from 'sequelize'
import { defineModels } from '../../../src/server/db/models'
import { verifyDatabase, type Verdict } from '../../../src/server/services/verify-database'
import { copyWorld } from '../../harness/copy-world'
import { startHarness, type Harness } from '../../harness/server-harness'

describe('a database that is proved', () => {
  let harness: Harness
  let whole: Verdict
  before(async function () {
    this.timeout(90_000)
    harness = await startHarness()
    const [url, world] = [process.env['TEST_DATABASE_URL'], process.env['TEST_WORLD']]
    if (!url || !world) throw new Error('There is no demo world: run the suite through npm test')
    await copyWorld(url, world)
    whole = await verify()
  })
  after(() => harness.stop())

  const verify = (): Promise<Verdict> => verifyDatabase(harness.db, defineModels(harness.db))
  const run = (sql: string): Promise<unknown> => harness.db.query(sql, { type: QueryTypes.RAW })
  const idOf = async (sql: string): Promise<string> => {
    const [row] = await harness.db.query<{ id: string }>(sql, { type: QueryTypes.SELECT })
    return row!.id
  }
  /** What is found wrong while a change stands that nobody wrote; it is taken back afterwards. */
  const faultsWhile = async (change: string, back: string): Promise<readonly string[]> => {
    await run(change)
    const { faults } = await verify()
    await run(back)
    return faults.map((fault) => `${fault.where}: ${fault.what}`)
  }

  it('is whole as the demo world made it', async () => {
    expect(whole.faults).to.deep.equal([])
    expect(whole.streams).to.be.greaterThan(200)
    expect(whole.events).to.be.greaterThan(1_500)
    expect(whole.lots).to.be.greaterThan(20)
  })

  it('finds a body that was changed, an event that is gone, and one that belongs nowhere', async () => {
    const caseId = await idOf("SELECT stream_id AS id FROM events WHERE kind = 'applied' LIMIT 1")
    const id = await idOf(`SELECT id FROM events WHERE kind = 'applied' AND stream_id = '${caseId}' LIMIT 1`)
    const changed = await faultsWhile(
      `UPDATE events SET body = '{"x":1}' WHERE id = '${id}'`,
      `UPDATE events SET body = '{}' WHERE id = '${id}'`,
    )
    expect(changed).to.have.length(1)
    expect(changed[0]).to.match(new RegExp(`^case ${caseId}: the chain breaks at event \\d+ \\(applied\\)$`))
    const moved = await faultsWhile(
      `UPDATE events SET stream_id = 'nobody' WHERE id = '${id}'`,
      `UPDATE events SET stream_id = '${caseId}' WHERE id = '${id}'`,
    )
    expect(moved).to.include('events: 1 belong to no stream that is there')
    expect(moved.some((one) => one.startsWith(`case ${caseId}: `))).to.equal(true)
  })

  it('finds a snapshot that was changed, and a head that points elsewhere', async () => {
    const id = await idOf('SELECT id FROM cases WHERE is_live = 1 LIMIT 1')
    expect(
      await faultsWhile(
        `UPDATE cases SET snapshot = JSON_SET(snapshot, '$.technique', 'walker-boot', '$.openedAt', 'never') WHERE id = '${id}'`,
        `UPDATE cases SET snapshot = snapshot WHERE id = '${id}'`,
      ),
    ).to.deep.equal([`case ${id}: its snapshot is not what its events come to`])
    const heads = await faultsWhile(`UPDATE episodes SET version = version + 1 LIMIT 1`, `UPDATE episodes SET version = version LIMIT 1`)
    expect(heads.some((head) => /^episode .*its head says version \d+, its events end at \d+$/.test(head))).to.equal(true)
  })

  it('finds a lot whose count nobody counted', async () => {
    const id = await idOf('SELECT id FROM lots LIMIT 1')
    const faults = await faultsWhile(
      `UPDATE lots SET count = count + 1 WHERE id = '${id}'`,
      `UPDATE lots SET count = count - 1 WHERE id = '${id}'`,
    )
    expect(faults.filter((fault) => fault.startsWith('lot '))).to.have.length(1)
  })
})
