// npm run rotate: wraps the secrets in the database by another key, and makes the keys of devices anew where --roll is said. With every server stopped.
import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { needDebian, needNode, needPackages, PlainError } from './needs.mjs'
import { startOwnDatabase } from './own-database.mjs'

needNode()
const say = (line) => process.stdout.write(`${line}\n`)
let database = null
try {
  const { build, root } = await import('./build.mjs')
  await needPackages(say)
  let url = process.env.DATABASE_URL
  if (!url) {
    needDebian('mariadbd', ['mariadb-server-core', 'mariadb-client-core'], say, '')
    database = await startOwnDatabase(process.env.WREN_DATA ?? join(root, '.data'), say)
    url = database.url
  }
  build('server', say)
  const env = { ...process.env, DATABASE_URL: url }
  process.exitCode =
    spawnSync(process.execPath, [join(root, 'dist/server/rotate.js'), ...process.argv.slice(2)], { env, stdio: 'inherit' }).status ?? 1
} catch (error) {
  process.stderr.write(`${error instanceof PlainError ? error.message : (error.stack ?? error)}\n`)
  process.exitCode = 1
} finally {
  await database?.stop()
}
