import { spawn } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'
import { QueryTypes, type Sequelize } from 'sequelize'
import { connectDatabase } from '../../src/server/db/connect'
import { copyWorld } from '../harness/copy-world'

const root = fileURLToPath(new URL('../..', import.meta.url))

describe('backup and restore', function () {
  this.timeout(240_000)
  const url = process.env['TEST_DATABASE_URL'] ?? ''
  const world = process.env['TEST_WORLD'] ?? ''
  let folder: string
  let file: string
  let db: Sequelize
  before(async () => {
    folder = mkdtempSync(join(tmpdir(), 'wren-backup-'))
    file = join(folder, 'one.sql.gz')
    await copyWorld(url, world)
    db = connectDatabase(url)
  })
  after(async () => {
    await db.close()
    rmSync(folder, { recursive: true, force: true })
  })

  const run = async (script: string, ...args: string[]): Promise<{ code: number; words: string }> => {
    const child = spawn(process.execPath, [`scripts/${script}.mjs`, ...args], {
      cwd: root,
      env: { ...process.env, DATABASE_URL: url, WREN_DATA: folder },
    })
    let words = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => void (words += chunk.toString()))
    const code = await new Promise<number>((resolve) => child.once('close', resolve))
    return { code, words }
  }
  /** What the tables hold, as one figure each. */
  const sums = async (): Promise<Readonly<Record<string, string>>> => {
    const tables = [
      'people',
      'episodes',
      'cases',
      'events',
      'lots',
      'stock_movements',
      'photos',
      'audit_anchors',
      'wards',
      'secrets',
      'pages',
    ]
    const rows = await db.query<{ Table: string; Checksum: unknown }>(`CHECKSUM TABLE ${tables.join(', ')}`, { type: QueryTypes.SELECT })
    return Object.fromEntries(rows.map((row) => [row.Table.split('.')[1]!, String(row.Checksum)]))
  }

  it('writes a file that only its owner reads, in use, and proves it', async () => {
    const { code, words } = await run('backup', file)
    expect(code, words).to.equal(0)
    expect(words)
      .to.include(file)
      .and.match(/every chain is whole, every snapshot is what its events come to/)
    expect(statSync(file).mode & 0o077).to.equal(0)
    expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).to.deep.equal([])
  })

  it('does not write over a backup', async () => {
    const { code, words } = await run('backup', file)
    expect([code, words.trim()]).to.deep.equal([1, `${file} is there already: name another file.`])
  })

  it('refuses to restore over what is there, and changes nothing', async () => {
    const before = await sums()
    const { code, words } = await run('restore', file)
    expect(code).to.equal(1)
    expect(words).to.include('add --overwrite if the backup is to take its place')
    expect(await sums()).to.deep.equal(before)
  })

  it('brings back all that was there, to the last row, and keeps what it replaces', async () => {
    const before = await sums()
    await db.query("DELETE FROM events WHERE kind = 'round'", { type: QueryTypes.DELETE })
    await db.query('UPDATE lots SET count = count + 1', { type: QueryTypes.UPDATE })
    const { code, words } = await run('restore', file, '--overwrite')
    expect(code, words).to.equal(0)
    expect(words).to.include('Restored. Everybody signs in anew.')
    expect(await sums()).to.deep.equal(before)
    const kept = readdirSync(join(folder, 'backups')).filter((name) => /^before-restore-.*\.sql\.gz$/.test(name))
    expect(kept).to.have.length(1)
  })

  for (const [what, spoil, said] of [
    [
      'was changed',
      (bytes: Buffer) => Buffer.concat([bytes.subarray(0, 5_000), Buffer.from('x'), bytes.subarray(5_001)]),
      /cannot be read through|is not what was written/,
    ],
    ['ends too early', (bytes: Buffer) => bytes.subarray(0, bytes.length / 2), /cannot be read through/],
    ['is nothing', () => Buffer.alloc(0), /cannot be read through|ends too early|is not what was written/],
  ] as const) {
    it(`finds a file that ${what} before it touches the database`, async () => {
      const before = await sums()
      const spoilt = join(folder, `${what}.sql.gz`)
      writeFileSync(spoilt, spoil(readFileSync(file)))
      writeFileSync(`${spoilt}.sha256`, readFileSync(`${file}.sha256`))
      const { code, words } = await run('restore', spoilt, '--overwrite')
      expect(code).to.equal(1)
      expect(words).to.match(said)
      expect(await sums()).to.deep.equal(before)
    })
  }

  it('says in words what it was not told', async () => {
    expect((await run('restore')).words).to.include('FILE is what npm run backup wrote')
    expect((await run('restore', join(folder, 'nowhere'))).words).to.include('There is no file')
    expect((await run('backup', '--loud')).words).to.include('npm run backup [-- FILE]')
    expect((await run('backup', 'a', 'b')).words).to.include('One file at a time')
    expect(existsSync(file)).to.equal(true)
  })
})
