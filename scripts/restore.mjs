// npm run restore: a backup into the database, and proved there. What stands in the database is backed up first, and only overwritten when that is said.
import { existsSync, mkdirSync, readFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { parseArgs } from 'node:util'
import { needDebian, needNode, needPackages, PlainError } from './needs.mjs'

needNode()
const say = (line) => process.stdout.write(`${line}\n`)
const usage = 'npm run restore -- FILE [--overwrite]: FILE is what npm run backup wrote, with its .sha256 beside it.'
let database = null

/** Whether Zesty Wren runs from this folder. */
function isRunning(folder) {
  const lock = join(folder, 'start.pid')
  if (!existsSync(lock)) return false
  const command = `/proc/${Number(readFileSync(lock, 'utf8'))}/cmdline`
  return existsSync(command) && readFileSync(command, 'utf8').includes('start.mjs')
}

try {
  let options
  try {
    options = parseArgs({ allowPositionals: true, options: { overwrite: { type: 'boolean' } } })
  } catch (error) {
    throw new PlainError(`${error.message.split('.')[0]}. ${usage}`)
  }
  const { values, positionals } = options
  if (positionals.length !== 1) throw new PlainError(usage)
  const file = resolve(positionals[0])
  const { build, root } = await import('./build.mjs')
  const folder = process.env.WREN_DATA ?? join(root, '.data')
  needPackages(say)
  needDebian('mariadbd', ['mariadb-server-core', 'mariadb-client-core'], say, '')
  needDebian('mariadb-dump', ['mariadb-client'], say, '')
  const { ask, checkDump, dump, empty, load, prove } = await import('./dump.mjs')
  await checkDump(file)
  let url = process.env.DATABASE_URL
  if (!url) {
    if (isRunning(folder)) throw new PlainError('Zesty Wren is running: stop it first, so that nobody writes meanwhile.')
    const { startDatabase } = await import('./database.mjs')
    database = await startDatabase(folder, say)
    url = database.url
  }
  const tables = (await ask(url, 'SHOW TABLES')).flat()
  const isFilled = tables.includes('people') && Number((await ask(url, 'SELECT COUNT(*) FROM people'))[0][0]) > 0
  if (isFilled && !values.overwrite)
    throw new PlainError('There is something in this database: add --overwrite if the backup is to take its place. It is backed up first.')
  if (isFilled) {
    const stamp = new Date().toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-')
    const before = join(folder, 'backups', `before-restore-${stamp}.sql.gz`)
    mkdirSync(join(before, '..'), { recursive: true, mode: 0o700 })
    await dump(url, before)
    await checkDump(before)
    say(`What was there is kept as ${before}`)
  }
  build('server', say)
  await empty(url)
  await load(url, file)
  // Pages that listened to what stood here before read everything anew.
  if ((await ask(url, "SHOW TABLES LIKE 'lineage'")).length > 0) await ask(url, 'UPDATE lineage SET id = UUID()')
  say(await prove(root, url))
  say('Restored. Everybody signs in anew.')
} catch (error) {
  process.stderr.write(
    `${error instanceof PlainError ? error.message : error.code === 'ENOSPC' ? 'The disk is full: free some space and start again.' : (error.stack ?? error)}\n`,
  )
  process.exitCode = 1
} finally {
  await database?.stop()
}
