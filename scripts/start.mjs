// npm start: checks and gets what is needed, then supervises database and server until Ctrl-C or SIGTERM.
import { fork, spawnSync } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { createInterface } from 'node:readline/promises'
import { parseArgs } from 'node:util'
import { needDebian, needNode, needPackages, PlainError } from './needs.mjs'

needNode()
const { endWithNpm } = await import('./end-with-npm.mjs')
const { build, root } = await import('./build.mjs')
const { startDatabase } = await import('./database.mjs')
const { createSupervisor } = await import('./supervisor.mjs')

const say = (line) => process.stdout.write(`${line}\n`)
const folder = process.env.WREN_DATA ?? join(root, '.data')
const lock = join(folder, 'start.pid')
let isLocked = false
const supervisor = createSupervisor({
  say,
  end(code) {
    if (isLocked) for (const file of [lock, join(folder, 'database.url')]) rmSync(file, { force: true })
    process.exit(code)
  },
})

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        fresh: { type: 'boolean' },
        yes: { type: 'boolean' },
        empty: { type: 'boolean' },
        demo: { type: 'boolean' },
        port: { type: 'string' },
        // For npm run dev alone: the web comes from elsewhere, and the server follows its sources.
        dev: { type: 'boolean' },
      },
    })
    const port = Number(values.port ?? process.env.PORT ?? 4180)
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      throw new PlainError(`--port must be a number from 1 to 65535, not ${values.port}.`)
    if (values.fresh && values.empty) throw new PlainError('Choose --fresh or --empty, not both.')
    if (values.demo && values.empty) throw new PlainError('Choose --demo or --empty, not both.')
    // Into a database of somebody else nobody comes with a password that is printed in a README, unless it is asked for.
    const isAsked = values.demo || !process.env.DATABASE_URL
    const demo = values.fresh ? 'fresh' : values.empty || !isAsked ? 'none' : 'when-empty'
    return { demo, port, isSure: values.yes === true, isDev: values.dev === true }
  } catch (error) {
    if (error instanceof PlainError) throw error
    throw new PlainError(
      `${error.message.split('.')[0]}: npm start knows -- --fresh (with --yes unasked), -- --empty, -- --demo and -- --port N.`,
    )
  }
}

/** Asks before everything that was entered is deleted; where nobody can answer, --yes has to say so. */
async function checkFresh({ demo, isSure }) {
  if (demo !== 'fresh' || isSure) return
  if (!process.env.DATABASE_URL && !existsSync(join(folder, 'mariadb'))) return
  const where = process.env.DATABASE_URL ? 'the database of DATABASE_URL' : `the database under ${folder}`
  if (!process.stdin.isTTY) throw new PlainError(`--fresh deletes everything in ${where}: add --yes if that is meant.`)
  const ask = createInterface({ input: process.stdin, output: process.stdout })
  const answer = await ask.question(`--fresh deletes everything in ${where}. Type yes to go on: `)
  ask.close()
  if (answer.trim() !== 'yes') throw new PlainError('Nothing was deleted.')
}

/** One start per folder: a live one is named, a dead one's file is swept away. */
function takeLock() {
  mkdirSync(folder, { recursive: true })
  if (existsSync(lock)) {
    const pid = Number(readFileSync(lock, 'utf8'))
    const command = `/proc/${pid}/cmdline`
    if (pid > 1 && existsSync(command) && readFileSync(command, 'utf8').includes('start.mjs')) {
      throw new PlainError(`Zesty Wren is already running from this folder (process ${pid}): use that one, or stop it first.`)
    }
    say('The last start ended without cleaning up; carrying on.')
  }
  writeFileSync(lock, String(process.pid))
  isLocked = true
}

function checkPort(port) {
  return new Promise((resolve, reject) => {
    const probe = createServer()
    probe.once('error', (error) =>
      reject(
        new PlainError(
          error.code === 'EACCES'
            ? `Port ${port} needs more rights: start with npm start -- --port and a number above 1023.`
            : `Port ${port} is in use: stop what uses it, or start with npm start -- --port and another number.`,
        ),
      ),
    )
    probe.listen(port, '127.0.0.1', () => probe.close(resolve))
  })
}

const standins = [
  ['tape', 'The simulated tape'],
  ['goniometer', 'The simulated goniometer'],
  ['scale', 'The simulated load scale'],
]

/** Starts a program of ours that sends one message when it is ready, and resolves with it. */
function launch(file, env, hold) {
  return new Promise((resolve, reject) => {
    const child = fork(join(root, file), { env: { ...process.env, ...env }, detached: true })
    hold(child)
    child.once('message', resolve)
    child.once('exit', () => reject(new PlainError('it stopped while starting; the line above says why.')))
  })
}

/** Keeps a simulated device; without it everything else works, so that its failing only costs the device. */
async function keepStandin([id, name], serverPort) {
  let port = '0'
  try {
    const ready = await supervisor.keep(name, async ({ hold }) => {
      const said = await launch(
        `dist/standins/${id}.js`,
        { PORT: port, WREN_ORIGINS: `http://127.0.0.1:${serverPort} http://localhost:${serverPort}` },
        hold,
      )
      // Started again it is found where it was.
      port = String(said.port)
      return said
    })
    return { [`WREN_${id.toUpperCase()}`]: String(ready.port) }
  } catch {
    say(`${name} could not be started; everything else works.`)
    return {}
  }
}

/** Keeps the simulated pager, unless another one is set up; its receipts are signed with a secret of this start. */
async function keepPager(serverPort) {
  if (process.env.WREN_PAGER) return {}
  const secret = randomBytes(24).toString('hex')
  let port = '0'
  try {
    const ready = await supervisor.keep('The simulated pager', async ({ hold }) => {
      const receipts = `http://127.0.0.1:${serverPort}/api/pager/receipts`
      const said = await launch('dist/standins/pager.js', { PORT: port, WREN_PAGER_SECRET: secret, WREN_PAGER_RECEIPTS: receipts }, hold)
      port = String(said.port)
      return said
    })
    say(`The simulated pager shows its pages at http://127.0.0.1:${ready.port}/`)
    return { WREN_PAGER: `http://127.0.0.1:${ready.port}`, WREN_PAGER_SECRET: secret }
  } catch {
    say('The simulated pager could not be started; everything else works.')
    return {}
  }
}

function keepServer(url, { port, demo, isDev }, devices) {
  return supervisor.keep('The server', ({ hold, isFirst }) =>
    launch(
      'dist/server/main.js',
      {
        NODE_ENV: 'production',
        DATABASE_URL: url,
        PORT: String(port),
        // Started again it must never empty what was entered since.
        WREN_DEMO: isFirst || demo === 'none' ? demo : 'when-empty',
        // Into a world of made-up patients newcomers are led.
        WREN_TRIAL: demo === 'none' ? '0' : '1',
        ...devices,
        WREN_WEB: isDev ? 'none' : join(root, 'dist/web'),
      },
      hold,
    ),
  )
}

/** Keeps the database of the folder; started again it listens where it did. */
async function keepDatabase() {
  let port
  const database = await supervisor.keep('The database', async ({ hold }) => {
    const started = await startDatabase(folder, say, { port, hold })
    port = started.port
    // For commands beside this one: only who runs this may read it.
    writeFileSync(join(folder, 'database.url'), `${started.url}\n`, { mode: 0o600 })
    return started
  })
  return database.url
}

/** A program that was built anew works its published answers before it serves anybody; one that was checked is not checked again. */
function checkSelf() {
  const stamp = join(folder, 'self-checked')
  const parts = readdirSync(join(root, 'dist/server'), { recursive: true })
    .filter((name) => name.endsWith('.js'))
    .sort()
  const hash = createHash('sha256')
  for (const part of parts) hash.update(readFileSync(join(root, 'dist/server', part)))
  const program = hash.digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === program) return
  const checked = spawnSync(process.execPath, ['dist/server/self-check.js', '--quick'], { cwd: root, encoding: 'utf8' })
  if (checked.status !== 0) {
    const wrong = checked.stdout.split('\n').filter((line) => line.startsWith('FAIL'))
    throw new PlainError(`The self-check failed, and nothing was started:\n${[...wrong, checked.stderr.trim()].join('\n')}`)
  }
  say(`Self-check: ${checked.stdout.trim().split('\n').at(-1)}`)
  writeFileSync(stamp, program)
}

function announce(ready) {
  say(`\nZesty Wren is ready at ${ready.address}`)
  if (ready.password) {
    say(
      `\nSign in with one of these names; the ${ready.isOneTime ? 'one-time code, in place of a password, is' : 'password is'}: ${ready.password}`,
    )
    for (const person of ready.people) say(`  ${person.signIn.padEnd(10)} ${person.name} (${person.roles})`)
  }
  say('\nDecision support for trained staff. Local policy and the licensed clinician come first.\nCtrl-C stops it.')
}

for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void supervisor.stop(0))
endWithNpm(() => void supervisor.stop(0))
// Started by npm run dev it does not outlive it.
if (process.send) process.on('disconnect', () => void supervisor.stop(0))
try {
  const options = readOptions()
  takeLock()
  await checkFresh(options)
  // Whoever may install nothing is told before anything is fetched.
  if (!process.env.DATABASE_URL)
    needDebian('mariadbd', ['mariadb-server-core', 'mariadb-client-core'], say, ', or set DATABASE_URL to a MariaDB of your own')
  await needPackages(say)
  await checkPort(options.port)
  build('standins', say)
  build('server', say)
  if (!options.isDev) build('web', say)
  checkSelf()
  const url = process.env.DATABASE_URL || (await keepDatabase())
  const devices = await Promise.all([...standins.map((one) => keepStandin(one, options.port)), keepPager(options.port)])
  const ready = await keepServer(url, options, Object.assign({}, ...devices))
  if (options.isDev) {
    const { watchServer } = await import('./watch-server.mjs')
    watchServer(root, say, () => supervisor.restart('The server'))
    announce({ ...ready, address: process.env.WREN_DEV_ADDRESS ?? ready.address })
  } else announce(ready)
} catch (error) {
  // Stopped while it was starting: what fails then fails because of that.
  if (supervisor.isStopping()) await new Promise(() => undefined)
  if (!(error instanceof PlainError))
    process.stderr.write(`${error?.code === 'ENOSPC' ? 'The disk is full: free some space and start again.' : (error?.message ?? error)}\n`)
  else process.stderr.write(`${error.message}\n`)
  await supervisor.stop(1)
}
