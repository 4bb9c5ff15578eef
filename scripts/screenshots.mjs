// npm run screenshots: one current picture of each main view, from a fresh demo world.
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { needDebian, needNode, needPackages, PlainError } from './needs.mjs'

needNode()
const scratch = mkdtempSync(join(tmpdir(), 'wren-shots-'))
let database = null
let code = 0
try {
  needPackages(console.log)
  needDebian('mariadbd', ['mariadb-server-core', 'mariadb-client-core'], console.log, '')
  needDebian('chromium', ['chromium', 'chromium-driver'], console.log, '')
  const { build, root } = await import('./build.mjs')
  const { startDatabase } = await import('./database.mjs')
  for (const room of ['standins', 'server', 'web']) build(room, console.log)
  database = await startDatabase(join(scratch, 'data'), console.log)
  const run = spawn(process.execPath, ['--import', 'tsx', join(root, 'tests/browser/take-screenshots.ts')], {
    cwd: root,
    stdio: 'inherit',
    env: { ...process.env, TEST_DATABASE_URL: database.url },
  })
  code = await new Promise((resolve) => run.on('exit', resolve))
} catch (error) {
  console.error(error instanceof PlainError ? error.message : error)
  code = 1
} finally {
  await database?.stop()
  rmSync(scratch, { recursive: true, force: true })
}
process.exit(code)
