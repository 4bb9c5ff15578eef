import { expect } from 'chai'
import { execFile } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { pathToFileURL } from 'node:url'
import { promisify } from 'node:util'

const module = pathToFileURL(join(import.meta.dirname, '../../scripts/database.mjs')).href

describe('a database of our own', function () {
  this.timeout(120_000)
  let folder: string

  before(() => {
    folder = mkdtempSync(join(tmpdir(), 'wren-databases-'))
  })

  after(() => rmSync(folder, { recursive: true, force: true }))

  it('is made beside others that are made and started at the same moment', async () => {
    // A server empties the folder of its temporary tables as it starts: in one folder for all they spoil each other's.
    const script = `import { startDatabase } from ${JSON.stringify(module)}
      const database = await startDatabase(process.argv[1], () => undefined, { isThrowaway: true })
      await database.stop()`
    const run = promisify(execFile)
    const made = await Promise.allSettled(
      Array.from({ length: 8 }, (_, at) => run(process.execPath, ['--input-type=module', '-e', script, join(folder, `db-${at}`)])),
    )
    expect(made.filter((result) => result.status === 'rejected')).to.deep.equal([])
  })

  it('says why it could not be made', async () => {
    const { startDatabase } = (await import(module)) as { startDatabase: (folder: string, say: () => void) => Promise<unknown> }
    const blocked = join(folder, 'blocked')
    writeFileSync(blocked, 'a file where the folder would be')
    const error = await startDatabase(blocked, () => undefined).catch((cause: Error) => cause)
    expect((error as Error).message).to.contain(blocked)
  })
})
