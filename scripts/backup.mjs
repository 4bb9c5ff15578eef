// npm run backup: the database into a file, while it is in use; checksummed, read through, and proved by putting it into a database of its own.
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { readBackupKey } from './backup-key.mjs'
import { needDebian, needNode, needPackages, PlainError } from './needs.mjs'

needNode()
const say = (line) => process.stdout.write(`${line}\n`)
const usage = 'npm run backup [-- FILE] [-- --quick]: FILE is where it goes; --quick does not prove it.'

/** Puts a backup into a database that is gone afterwards, and proves what is there. */
async function proveFile(root, file, key) {
  const { startDatabase } = await import('./database.mjs')
  const { build } = await import('./build.mjs')
  const { load, prove } = await import('./dump.mjs')
  build('server', say)
  const scratch = mkdtempSync(join(tmpdir(), 'wren-proof-'))
  const database = await startDatabase(scratch, () => undefined, { isThrowaway: true })
  try {
    await load(database.url, file, key)
    return await prove(root, database.url)
  } finally {
    await database.stop()
    rmSync(scratch, { recursive: true, force: true })
  }
}

try {
  let options
  try {
    options = parseArgs({ allowPositionals: true, options: { quick: { type: 'boolean' } } })
  } catch (error) {
    throw new PlainError(`${error.message.split('.')[0]}. ${usage}`)
  }
  const { values, positionals } = options
  if (positionals.length > 1) throw new PlainError(`One file at a time. ${usage}`)
  const { root } = await import('./build.mjs')
  const folder = process.env.WREN_DATA ?? join(root, '.data')
  const kept = join(folder, 'database.url')
  const url = process.env.DATABASE_URL || (existsSync(kept) ? readFileSync(kept, 'utf8').trim() : null)
  if (!url) throw new PlainError('Which database? Start Zesty Wren with npm start, or set DATABASE_URL.')
  await needPackages(say)
  needDebian('mariadb-dump', ['mariadb-client'], say, '')
  const { checkDump, dump } = await import('./dump.mjs')
  const key = readBackupKey()
  const stamp = new Date().toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-')
  const file = resolve(positionals[0] ?? join(folder, 'backups', `wren-${stamp}.sql.gz${key ? '.enc' : ''}`))
  if (existsSync(file)) throw new PlainError(`${file} is there already: name another file.`)
  mkdirSync(join(file, '..'), { recursive: true, mode: 0o700 })
  await dump(url, file, key)
  await checkDump(file, key)
  say(file)
  say(
    key
      ? 'Encrypted and signed. Without its key nobody reads it: keep that somewhere else.'
      : 'Not encrypted and not signed: set WREN_BACKUP_KEY for that.',
  )
  if (!values.quick) say(await proveFile(root, file, key))
} catch (error) {
  process.stderr.write(
    `${error instanceof PlainError ? error.message : error.code === 'ENOSPC' ? 'The disk is full: free some space and start again.' : (error.stack ?? error)}\n`,
  )
  process.exit(1)
}
