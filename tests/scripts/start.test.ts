import { expect } from 'chai'
import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { QueryTypes } from 'sequelize'
import { connectDatabase } from '../../src/server/db/connect'
import { migrate } from '../../src/server/db/migrate'
import { emptyTables } from '../harness/empty-tables'
import { freePort } from '../harness/live-server'
import { itAtLength } from '../harness/long'
import { processesUnder } from '../harness/processes-under'

const root = fileURLToPath(new URL('../..', import.meta.url))

/** `npm start` as it is at a terminal, with a data folder of its own. */
describe('npm start under attack', () => {
  let folder: string
  let start: ChildProcess
  let output: string
  let port: number

  before(async function () {
    this.timeout(120_000)
    folder = mkdtempSync(join(tmpdir(), 'wren-start-'))
    port = await freePort()
    await begin()
  })
  after(async () => {
    if (start.exitCode === null && start.signalCode === null) {
      start.kill('SIGTERM')
      await new Promise((resolve) => start.once('exit', resolve))
    }
    rmSync(folder, { recursive: true, force: true, maxRetries: 5 })
  })

  async function begin(): Promise<void> {
    output = ''
    start = spawn(process.execPath, ['scripts/start.mjs', '--port', String(port), '--empty'], {
      cwd: root,
      env: { ...process.env, WREN_DATA: folder, DATABASE_URL: '', NODE_ENV: 'test' },
    })
    for (const stream of [start.stdout, start.stderr]) stream?.on('data', (chunk: Buffer) => void (output += chunk.toString()))
    await until(() => output.includes('is ready at') || start.exitCode !== null)
    expect(output).to.include('is ready at')
  }
  const until = async (isSo: () => boolean | Promise<boolean>): Promise<void> => {
    while (!(await isSo())) await new Promise((resolve) => setTimeout(resolve, 25))
  }
  /** Process ids of the children of `npm start` whose command has a word. */
  const childrenWith = (word: string): readonly number[] =>
    readdirSync('/proc')
      .filter((name) => /^\d+$/.test(name))
      .map(Number)
      .filter((pid) => {
        try {
          const parent = /^PPid:\s+(\d+)$/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1]
          return Number(parent) === start.pid && readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(word)
        } catch {
          return false
        }
      })
  const isUp = async (): Promise<boolean> => {
    try {
      return (await fetch(`http://127.0.0.1:${port}/api/health`)).ok
    } catch {
      return false
    }
  }

  for (const [name, word] of [
    ['The server', 'dist/server/main.js'],
    ['The simulated tape', 'dist/standins/tape.js'],
    ['The database', 'mariadbd'],
  ] as const) {
    it(`${name.toLowerCase()} comes back after kill -9, and the others stay`, async () => {
      const others = ['dist/server/main.js', 'dist/standins/tape.js', 'mariadbd'].filter((one) => one !== word)
      const before = others.map((other) => childrenWith(other)[0])
      const [victim] = childrenWith(word)
      expect(victim).to.be.a('number')
      const from = output.length
      process.kill(victim ?? 0, 'SIGKILL')
      await until(() => output.slice(from).includes(`${name} is back.`))
      expect(output.slice(from)).to.match(new RegExp(`${name} ended by SIGKILL: starting it again in [\\d.]+ s\\. The rest goes on\\.`))
      expect(childrenWith(word)[0]).not.to.equal(victim)
      await until(isUp)
      expect(others.map((other) => childrenWith(other)[0])).to.deep.equal(before)
    })
  }

  it('keeps an idle connection for longer than the proxy in front does, which would send a request into one just closed', async () => {
    const kept = /timeout=(\d+)/.exec((await fetch(`http://127.0.0.1:${port}/api/health`)).headers.get('keep-alive') ?? '')?.[1]
    const proxy = /timeout client (\d+)s/.exec(readFileSync(join(root, 'docs/operations/haproxy.cfg'), 'utf8'))?.[1]
    expect(Number(kept)).to.be.greaterThan(Number(proxy))
  })

  it('a second start says that it runs already, and leaves it alone', async () => {
    const second = spawn(process.execPath, ['scripts/start.mjs', '--port', String(port)], {
      cwd: root,
      env: { ...process.env, WREN_DATA: folder, DATABASE_URL: '' },
    })
    let words = ''
    second.stderr?.on('data', (chunk: Buffer) => void (words += chunk.toString()))
    const code = await new Promise((resolve) => second.once('exit', resolve))
    expect([code, words]).to.deep.equal([1, words])
    expect(words).to.match(/already running from this folder/)
    expect(await isUp()).to.equal(true)
  })

  it('SIGTERM finishes the requests in flight, then ends everything in order', async () => {
    const requests = Array.from({ length: 12 }, (_, index) =>
      fetch(`http://127.0.0.1:${port}/api/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        // A wrong password takes the server a while: its hash is made to be slow.
        body: JSON.stringify({ name: `nobody-${index}`, password: 'wrong' }),
      }).then((answer) => answer.status),
    )
    // The first answer tells that the others are being worked on.
    await Promise.race(requests)
    start.kill('SIGTERM')
    expect(await Promise.all(requests)).to.deep.equal(Array.from({ length: 12 }, () => 401))
    const code = await new Promise((resolve) => (start.exitCode === null ? start.once('exit', resolve) : resolve(start.exitCode)))
    expect(code).to.equal(0)
    expect(await isUp()).to.equal(false)
    expect(existsSync(join(folder, 'start.pid'))).to.equal(false)
  })

  itAtLength('killed with its server down it can be started again, and SIGTERM in the wait between two starts ends it', async () => {
    await begin()
    const [server] = childrenWith('dist/server/main.js')
    process.kill(server ?? 0, 'SIGKILL')
    await until(() => output.includes('starting it again'))
    start.kill('SIGTERM')
    const code = await new Promise((resolve) => start.once('exit', resolve))
    expect(code).to.equal(0)
  })

  itAtLength('ends at once when it is told a second time', async () => {
    await begin()
    const pids = ['dist/server/main.js', 'dist/standins/tape.js', 'mariadbd'].flatMap(childrenWith)
    start.kill('SIGTERM')
    start.kill('SIGINT')
    await new Promise((resolve) => start.once('exit', resolve))
    await until(() => pids.every((pid) => !existsSync(`/proc/${pid}`)))
    await begin()
    start.kill('SIGINT')
    expect(await new Promise((resolve) => start.once('exit', resolve))).to.equal(0)
  })

  it('ends whole when the npm that started it is ended alone', async () => {
    output = ''
    const npm = spawn('npm', ['start', '--', '--port', String(port), '--empty'], {
      cwd: root,
      env: { ...process.env, WREN_DATA: folder, DATABASE_URL: '', NODE_ENV: 'test' },
    })
    for (const stream of [npm.stdout, npm.stderr]) stream.on('data', (chunk: Buffer) => void (output += chunk.toString()))
    await until(() => output.includes('is ready at') || npm.exitCode !== null)
    const started = processesUnder(npm.pid ?? 0)
    expect(started.length, output).to.be.greaterThan(4)
    npm.kill('SIGTERM')
    await until(() => started.every((pid) => !existsSync(`/proc/${pid}`)))
    expect(existsSync(join(folder, 'start.pid'))).to.equal(false)
  })

  it('deletes nothing unasked: where nobody can answer, --fresh wants --yes', async () => {
    const asked = spawn(process.execPath, ['scripts/start.mjs', '--port', String(port), '--fresh'], {
      cwd: root,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, WREN_DATA: folder, DATABASE_URL: '' },
    })
    let words = ''
    asked.stderr.on('data', (chunk: Buffer) => void (words += chunk.toString()))
    expect(await new Promise((resolve) => asked.once('exit', resolve))).to.equal(1)
    expect(words.trim()).to.equal(`--fresh deletes everything in the database under ${folder}: add --yes if that is meant.`)
  })

  it('brings nobody with a published password into a database of somebody else', async () => {
    const url = process.env['TEST_DATABASE_URL'] ?? ''
    const db = connectDatabase(url)
    await migrate(db)
    await emptyTables(db)
    output = ''
    start = spawn(process.execPath, ['scripts/start.mjs', '--port', String(port)], {
      cwd: root,
      env: { ...process.env, WREN_DATA: folder, DATABASE_URL: url, NODE_ENV: 'test' },
    })
    for (const stream of [start.stdout, start.stderr]) stream?.on('data', (chunk: Buffer) => void (output += chunk.toString()))
    await until(() => output.includes('Ctrl-C stops it') || start.exitCode !== null)
    start.kill('SIGTERM')
    await new Promise((resolve) => start.once('exit', resolve))
    const people = await db.query<{ signIn: string }>('SELECT sign_in AS signIn FROM people', { type: QueryTypes.SELECT })
    await db.close()
    expect(people.map((person) => person.signIn)).to.deep.equal(['lead'])
    expect(output).to.match(/lead\s+First lead/)
    expect(output).not.to.include('gale over tern sound')
  })

  it('as a service, with nobody to tell, says the first password once in its journal, and it opens', async () => {
    const url = process.env['TEST_DATABASE_URL'] ?? ''
    const db = connectDatabase(url)
    await migrate(db)
    await emptyTables(db)
    await db.close()
    output = ''
    const env = { ...process.env, DATABASE_URL: url, PORT: String(port), WREN_WEB: 'none', NODE_ENV: 'production' }
    start = spawn(process.execPath, ['dist/server/main.js'], { cwd: root, env, stdio: ['ignore', 'pipe', 'pipe'] })
    for (const stream of [start.stdout, start.stderr]) stream?.on('data', (chunk: Buffer) => void (output += chunk.toString()))
    await until(() => output.includes('sign in as lead') || start.exitCode !== null)
    const password = /sign in as lead with the one-time code (\S+)/.exec(output)?.[1] ?? ''
    const answer = await fetch(`http://127.0.0.1:${port}/api/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ name: 'lead', password }),
    })
    const session = (await answer.json()) as { mustChange: boolean }
    start.kill('SIGTERM')
    await new Promise((resolve) => start.once('exit', resolve))
    expect(answer.status).to.equal(200)
    expect(session.mustChange, 'another one is chosen first').to.equal(true)
    expect(output.split(password)).to.have.length(2)
  })
})
