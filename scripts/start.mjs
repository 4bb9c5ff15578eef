// npm start: checks and gets what is needed, then supervises database and server until Ctrl-C or SIGTERM.
import { fork } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:net'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { needDebian, needNode, needPackages, PlainError } from './needs.mjs'

needNode()
const { build, root } = await import('./build.mjs')
const { startDatabase } = await import('./database.mjs')

const say = (line) => process.stdout.write(`${line}\n`)
const folder = join(root, '.data')
const lock = join(folder, 'start.pid')
const running = []
let isStopping = false

function readOptions() {
  try {
    const { values } = parseArgs({ options: { fresh: { type: 'boolean' }, empty: { type: 'boolean' }, port: { type: 'string' } } })
    const port = Number(values.port ?? process.env.PORT ?? 4180)
    if (!Number.isInteger(port) || port < 1 || port > 65535)
      throw new PlainError(`--port must be a number from 1 to 65535, not ${values.port}.`)
    if (values.fresh && values.empty) throw new PlainError('Choose --fresh or --empty, not both.')
    return { demo: values.fresh ? 'fresh' : values.empty ? 'none' : 'when-empty', port }
  } catch (error) {
    if (error instanceof PlainError) throw error
    throw new PlainError(`${error.message.split('.')[0]}: npm start knows -- --fresh, -- --empty and -- --port N.`)
  }
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
  running.push({ name: 'lock', stop: async () => rmSync(lock, { force: true }) })
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

const standins = ['tape', 'goniometer', 'scale']

/** Starts one simulated device; without it everything else works, so that its failing only costs the device. */
function startStandin(name, port) {
  return new Promise((resolve) => {
    const child = fork(join(root, `dist/standins/${name}.js`), {
      env: { ...process.env, PORT: '0', WREN_ORIGINS: `http://127.0.0.1:${port} http://localhost:${port}` },
      detached: true,
    })
    running.push({
      name,
      stop: () =>
        new Promise((done) => {
          if (child.exitCode !== null) return done()
          child.once('exit', done)
          child.kill('SIGTERM')
        }),
    })
    child.once('message', (message) => resolve({ [`WREN_${name.toUpperCase()}`]: String(message.port) }))
    child.once('exit', () => resolve({}))
  })
}

function startServer(url, { port, demo }, devices) {
  return new Promise((resolve, reject) => {
    const child = fork(join(root, 'dist/server/main.js'), {
      env: {
        ...process.env,
        NODE_ENV: 'production',
        DATABASE_URL: url,
        PORT: String(port),
        WREN_DEMO: demo,
        ...devices,
        WREN_WEB: join(root, 'dist/web'),
      },
      detached: true,
    })
    running.push({
      name: 'server',
      stop: () =>
        new Promise((done) => {
          if (child.exitCode !== null) return done()
          child.once('exit', done)
          child.kill('SIGTERM')
        }),
    })
    child.once('message', resolve)
    child.once('exit', (code) => {
      reject(new PlainError('The server stopped while starting; the line above says why.'))
      if (!isStopping) void stop(code || 1)
    })
  })
}

async function stop(code) {
  if (isStopping) return
  isStopping = true
  for (const one of running.reverse()) await one.stop()
  process.exit(code)
}

function announce(ready) {
  say(`\nZesty Wren is ready at ${ready.address}`)
  if (ready.password) {
    say(`\nSign in with one of these names; the password is: ${ready.password}`)
    for (const person of ready.people) say(`  ${person.signIn.padEnd(10)} ${person.name} (${person.roles})`)
  }
  say('\nDecision support for trained staff. Local policy and the licensed clinician come first.\nCtrl-C stops it.')
}

process.on('SIGINT', () => void stop(0))
process.on('SIGTERM', () => void stop(0))
try {
  const options = readOptions()
  takeLock()
  needPackages(say)
  await checkPort(options.port)
  build('standins', say)
  build('server', say)
  build('web', say)
  let url = process.env.DATABASE_URL
  if (!url) {
    needDebian('mariadbd', ['mariadb-server-core', 'mariadb-client-core'], say, ', or set DATABASE_URL to a MariaDB of your own')
    const database = await startDatabase(folder, say)
    database.onExit(() => {
      if (!isStopping) {
        say('The database stopped.')
        void stop(1)
      }
    })
    running.push({ name: 'database', stop: database.stop })
    url = database.url
  }
  const devices = await Promise.all(standins.map((name) => startStandin(name, options.port)))
  announce(await startServer(url, options, Object.assign({}, ...devices)))
} catch (error) {
  if (!(error instanceof PlainError))
    process.stderr.write(`${error?.code === 'ENOSPC' ? 'The disk is full: free some space and start again.' : (error?.message ?? error)}\n`)
  else process.stderr.write(`${error.message}\n`)
  await stop(1)
}
