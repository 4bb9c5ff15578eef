import { expect } from 'chai'
import { QueryTypes, type Sequelize } from 'sequelize'
import { connectDatabase } from '../../../src/server/db/connect'
import { dropTables, folderSchemas, OtherSchemas, refuseOtherSchemas } from '../../../src/server/db/folder-schemas'
import { migrate } from '../../../src/server/db/migrate'
import { allTables } from '../../../src/server/db/tables/all-tables'

describe('a database of another version', () => {
  let db: Sequelize
  before(async () => {
    db = connectDatabase(process.env['TEST_DATABASE_URL'] ?? '')
    await dropTables(db)
    await migrate(db)
  })
  after(async () => {
    await dropTables(db)
    await migrate(db)
    await db.close()
  })
  const change = (sql: string): Promise<unknown> => db.query(sql, { type: QueryTypes.RAW })
  const tables = async (): Promise<readonly string[]> =>
    (await db.query<Record<string, string>>('SHOW TABLES', { type: QueryTypes.SELECT })).map((row) => Object.values(row)[0] ?? '').sort()
  const refusal = (): Promise<unknown> =>
    migrate(db).then(
      () => null,
      (error: unknown) => error,
    )

  it('is made once, whole, each table with a primary key, and says by what', async () => {
    expect(await tables()).to.deep.equal([...Object.keys(allTables), 'migrations'].sort())
    for (const columns of Object.values(allTables)) expect(columns).to.include('PRIMARY KEY')
    expect(await db.query('SELECT made_by AS madeBy FROM lineage', { type: QueryTypes.SELECT })).to.deep.equal([
      { madeBy: folderSchemas() },
    ])
    await migrate(db)
    await refuseOtherSchemas(db)
  })

  it('is refused in words that say what may be done, and nothing in it changes', async () => {
    await change("UPDATE lineage SET made_by = '0123456789abcdef'")
    const before = await tables()
    const error = await refusal()
    expect(error).to.be.instanceOf(OtherSchemas)
    expect((error as Error).message)
      .to.include('another version')
      .and.include('nothing in it was changed')
      .and.include('WREN_DATA=FOLDER')
      .and.include('--fresh')
    expect(await tables()).to.deep.equal(before)
    await change(`UPDATE lineage SET made_by = '${folderSchemas()}'`)
  })

  it('is refused where it says nothing of itself, as those before did, or is not of ours', async () => {
    await change('ALTER TABLE lineage DROP COLUMN made_by')
    expect(await refusal()).to.be.instanceOf(OtherSchemas)
    await dropTables(db)
    await change('CREATE TABLE strangers (id INT PRIMARY KEY)')
    expect(await refusal()).to.be.instanceOf(OtherSchemas)
    expect(await tables()).to.deep.equal(['strangers'])
  })

  it('goes on where it was cut off in the middle', async () => {
    await dropTables(db)
    await migrate(db)
    for (const table of ['migrations', 'events', 'places']) await change(`DROP TABLE ${table}`)
    await migrate(db)
    expect(await tables()).to.deep.equal([...Object.keys(allTables), 'migrations'].sort())
    expect(await db.query('SELECT 1 AS one FROM lineage', { type: QueryTypes.SELECT })).to.have.length(1)
  })

  it('is begun anew only by taking its tables away', async () => {
    await dropTables(db)
    expect(await refusal()).to.equal(null)
    expect(await tables()).to.include('events')
  })
})
