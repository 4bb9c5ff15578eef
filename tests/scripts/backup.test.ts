import { spawn } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'
import { QueryTypes, type Sequelize } from 'sequelize'
import { connectDatabase } from '../../src/server/db/connect'
import { createServers } from '../../src/server/repositories/servers'
import { keptAnchors } from '../../src/server/services/day-anchor'
import { copyWorld } from '../harness/copy-world'
import { closeShared } from '../harness/shared'

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
    // A restore wants no server on the database: a file before this one may have left the worker's.
    await closeShared()
    await copyWorld(url, world)
    db = connectDatabase(url)
  })
  after(async () => {
    await db.close()
    rmSync(folder, { recursive: true, force: true })
  })

  const run = (script: string, ...args: string[]): Promise<{ code: number; words: string }> => runWith({}, script, ...args)
  const runWith = async (env: Record<string, string>, script: string, ...args: string[]): Promise<{ code: number; words: string }> => {
    const child = spawn(process.execPath, [`scripts/${script}.mjs`, ...args], {
      cwd: root,
      env: { ...process.env, DATABASE_URL: url, WREN_DATA: folder, ...env },
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
    ['ends too early', (bytes: Buffer) => bytes.subarray(0, bytes.length / 2), /is not what was written/],
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

  describe('with a key', () => {
    const key = { WREN_BACKUP_KEY: randomBytes(32).toString('base64') }
    const other = { WREN_BACKUP_KEY: randomBytes(32).toString('base64') }
    let closed: string
    before(() => {
      closed = join(folder, 'closed.sql.gz.enc')
    })

    it('is encrypted and signed, and proves', async () => {
      const { code, words } = await runWith(key, 'backup', closed)
      expect(code, words).to.equal(0)
      expect(words)
        .to.include('Encrypted and signed')
        .and.match(/every chain is whole/)
      expect(readFileSync(closed).subarray(0, 13).toString()).to.equal('wren-backup-1')
      expect(readFileSync(`${closed}.sha256`, 'utf8')).to.match(/^# signed [0-9a-f]{64}$/m)
    })

    it('is restored with its key alone', async () => {
      const before = await sums()
      expect((await run('restore', closed, '--overwrite')).words).to.include('is encrypted: set WREN_BACKUP_KEY')
      expect((await runWith(other, 'restore', closed, '--overwrite')).words).to.match(/another key|another one/)
      expect(await sums()).to.deep.equal(before)
      await db.query('UPDATE lots SET count = count + 1', { type: QueryTypes.UPDATE })
      const { code, words } = await runWith(key, 'restore', closed, '--overwrite')
      expect(code, words).to.equal(0)
      expect(words).to.include('NOT compared with anchors from outside')
      expect(await sums()).to.deep.equal(before)
    })

    it('finds one that was changed together with its checksum, and one that nobody signed', async () => {
      const changed = join(folder, 'changed.sql.gz.enc')
      const bytes = readFileSync(closed)
      bytes[bytes.length - 20]! ^= 1
      writeFileSync(changed, bytes)
      const sum = createHash('sha256').update(bytes).digest('hex')
      writeFileSync(`${changed}.sha256`, readFileSync(`${closed}.sha256`, 'utf8').replace(/^[0-9a-f]{64}/, sum))
      expect((await runWith(key, 'restore', changed, '--overwrite')).code).to.equal(1)
      expect((await runWith(key, 'restore', file, '--overwrite')).words)
        .to.include('is not signed')
        .and.include('--unsigned')
      const { code, words } = await runWith(key, 'restore', file, '--overwrite', '--unsigned')
      expect(code, words).to.equal(0)
    })

    it('says what is wrong with a key that is none', async () => {
      expect((await runWith({ WREN_BACKUP_KEY: 'short' }, 'backup')).words).to.include('32 bytes in base64')
    })
  })

  it('refuses while a server is on the database, and says which', async () => {
    await createServers(db).beat({ id: '11111111-1111-4111-8111-111111111111', host: 'ward-server', offsetMs: 0 })
    const { code, words } = await run('restore', file, '--overwrite')
    expect([code, words]).to.deep.equal([
      1,
      'A server is on this database (ward-server): stop every server first. One that was killed is forgotten after a minute.\n',
    ])
    await createServers(db).leave('11111111-1111-4111-8111-111111111111')
  })

  it('compares with anchors from outside: those after the backup are named so, and the file is set aside', async () => {
    const anchors = join(folder, 'anchors')
    const kept = await keptAnchors(db)
    const later = { day: '2999-01-01', since: kept.at(-1)?.day ?? null, lines: 3, hash: 'f'.repeat(64) }
    const lines = (list: readonly object[]): string => list.map((one) => `${JSON.stringify(one)}\n`).join('')
    writeFileSync(anchors, lines([...kept, later]))
    const { code, words } = await run('restore', file, '--overwrite', '--anchors', anchors)
    expect(code, words).to.equal(0)
    expect(words).to.include(`${kept.length} of ${kept.length + 1} anchors from outside were compared.`)
    expect(words).to.include('1 are later than this backup, from 2999-01-01 on')
    expect(existsSync(anchors)).to.equal(false)
    expect(readdirSync(folder).filter((name) => name.startsWith('anchors.before-restore-'))).to.have.length(1)
    writeFileSync(anchors, '')
    expect((await run('wren', 'verify', '--anchors', anchors)).words).to.include('holds no anchor: there is nothing to compare with')
  })

  it('goes into another database, and says which right is missing', async () => {
    const { username, password, host } = new URL(url)
    const into = `mariadb://${username}:${password}@${host}/not_ours`
    const { code, words } = await run('restore', file, '--into', into)
    expect(code).to.equal(1)
    expect(words).to.include('GRANT ALL ON')
    expect(words).not.to.include(password)
    const own = `mariadb://${username}:${password}@${host}/zesty_wren_restored`
    await db.query('CREATE DATABASE zesty_wren_restored', { type: QueryTypes.RAW })
    const restored = await run('restore', file, '--into', own)
    expect(restored.code, restored.words).to.equal(0)
    await db.query('DROP DATABASE zesty_wren_restored', { type: QueryTypes.RAW })
  })

  it('says in words what it was not told', async () => {
    expect((await run('restore')).words).to.include('FILE is what npm run backup wrote')
    expect((await run('restore', join(folder, 'nowhere'))).words).to.include('There is no file')
    expect((await run('backup', '--loud')).words).to.include('npm run backup [-- FILE]')
    expect((await run('backup', 'a', 'b')).words).to.include('One file at a time')
    expect(existsSync(file)).to.equal(true)
  })
})
