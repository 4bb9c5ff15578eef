// What tests, bench and screenshots start from: everything installed and built, and a database that is gone afterwards.
import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { needDebian, needNode, needPackages, PlainError } from './needs.mjs'

/**
 * Gives `work` a built application and a database of its own, and clears up after it.
 * @param rooms what has to be built
 * @param work is given the root folder, a scratch folder and the database, which is null where none is wanted
 * @param wants whether a database and a browser are needed: both, unless they are said to be not
 * @returns what `work` returns; null when it could not be begun, which is then said
 */
export async function withThrowaway(rooms, work, { isDatabaseWanted = true, isBrowserWanted = true } = {}) {
  needNode()
  const scratch = mkdtempSync(join(tmpdir(), 'wren-'))
  let database = null
  try {
    await needPackages(console.log)
    if (isDatabaseWanted) needDebian('mariadbd', ['mariadb-server-core', 'mariadb-client-core'], console.log, '')
    if (isBrowserWanted) {
      needDebian('chromium', ['chromium', 'chromium-driver'], console.log, '')
      needDebian('chromedriver', ['chromium-driver'], console.log, '')
    }
    const { build, root } = await import('./build.mjs')
    for (const room of rooms) build(room, console.log)
    if (isDatabaseWanted) {
      const { startDatabase } = await import('./database.mjs')
      database = await startDatabase(join(scratch, 'data'), console.log, { isThrowaway: true })
    }
    return await work({ root, scratch, database })
  } catch (error) {
    console.error(error instanceof PlainError ? error.message : error)
    return null
  } finally {
    await database?.stop()
    rmSync(scratch, { recursive: true, force: true })
  }
}

/** Runs a program of the tests, in TypeScript or built, on a throwaway database, and ends with its exit code. */
export async function runOnThrowaway(rooms, program, args = []) {
  const code = await withThrowaway(rooms, ({ root, database }) => {
    const run = spawn(process.execPath, [...(program.endsWith('.ts') ? ['--import', 'tsx'] : []), join(root, program), ...args], {
      cwd: root,
      stdio: 'inherit',
      env: { ...process.env, TEST_DATABASE_URL: database.url },
    })
    return new Promise((resolve) => run.on('exit', resolve))
  })
  process.exit(code ?? 1)
}
