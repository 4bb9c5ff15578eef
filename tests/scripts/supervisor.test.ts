import { expect } from 'chai'
import { fork, type ChildProcess } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
// @ts-expect-error scripts are plain JavaScript, so that they run before anything is installed
import { createSupervisor as create } from '../../scripts/supervisor.mjs'

interface Supervisor {
  keep(name: string, launch: (how: { hold: (child: ChildProcess) => void; isFirst: boolean }) => Promise<unknown>): Promise<unknown>
  restart(name: string): Promise<void>
  stop(code: number): Promise<void>
  isStopping(): boolean
}
interface Settings {
  readonly say: (line: string) => void
  readonly end: (code: number) => void
  readonly times: Record<'firstWaitMs' | 'longestWaitMs' | 'wellAfterMs' | 'patienceMs', number>
}
const createSupervisor = create as (settings: Settings) => Supervisor

/** A child that says it is ready; what it does on SIGTERM is in its name. */
const programs = {
  good: "process.on('SIGTERM', () => process.exit(0)); setInterval(() => {}, 1000); process.send('ready')",
  deaf: "process.on('SIGTERM', () => {}); setInterval(() => {}, 1000); process.send('ready')",
  stillborn: 'process.exit(3)',
} as const

describe('the supervisor', () => {
  let folder: string
  let said: string[]
  let ends: number[]
  let supervisor: Supervisor
  const children: ChildProcess[] = []
  const ended = (child: ChildProcess | undefined): boolean => !child || child.exitCode !== null || child.signalCode !== null

  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'wren-supervisor-'))
    for (const [name, text] of Object.entries(programs)) writeFileSync(join(folder, `${name}.cjs`), text)
    said = []
    ends = []
    children.length = 0
    supervisor = createSupervisor({
      say: (line) => void said.push(line),
      end: (code) => void ends.push(code),
      times: { firstWaitMs: 5, longestWaitMs: 40, wellAfterMs: 60_000, patienceMs: 300 },
    })
  })
  afterEach(() => {
    for (const child of children) if (!ended(child)) child.kill('SIGKILL')
    rmSync(folder, { recursive: true, force: true })
  })

  const launchOf =
    (program: keyof typeof programs | (() => keyof typeof programs)) =>
    ({ hold }: { hold: (child: ChildProcess) => void }): Promise<unknown> =>
      new Promise((resolve, reject) => {
        const child = fork(join(folder, `${typeof program === 'function' ? program() : program}.cjs`))
        children.push(child)
        hold(child)
        child.once('message', resolve)
        child.once('exit', () => reject(new Error('it stopped while starting')))
      })
  /** Waits until something is so. */
  const until = async (isSo: () => boolean): Promise<void> => {
    while (!isSo()) await new Promise((resolve) => setTimeout(resolve, 5))
  }
  const killed = async (child: ChildProcess | undefined, signal: NodeJS.Signals): Promise<void> => {
    child?.kill(signal)
    await until(() => ended(child))
  }

  for (const signal of ['SIGKILL', 'SIGTERM', 'SIGSEGV'] as const) {
    it(`starts again what ${signal} ended, says so, and keeps the rest up`, async () => {
      expect(await supervisor.keep('The server', launchOf('good'))).to.equal('ready')
      await supervisor.keep('The tape', launchOf('good'))
      await killed(children[0], signal)
      await until(() => said.includes('The server is back.'))
      expect(children).to.have.length(3)
      expect([ended(children[1]), ended(children[2])]).to.deep.equal([false, false])
      expect(said[0]).to.match(/^The server ended (by|with) .*: starting it again in 0\.005 s/)
      await supervisor.stop(0)
      expect(children.every(ended)).to.equal(true)
      expect(ends).to.deep.equal([0])
    })
  }

  it('starts one anew when it is asked to, at once, and says nothing of an end that was meant', async () => {
    await supervisor.keep('The server', launchOf('good'))
    await supervisor.keep('The tape', launchOf('good'))
    await supervisor.restart('The server')
    await until(() => said.includes('The server is back.'))
    expect(said).to.deep.equal(['The server is back.'])
    expect([ended(children[0]), ended(children[1]), ended(children[2])]).to.deep.equal([true, false, false])
    await killed(children[2], 'SIGKILL')
    await until(() => said.filter((line) => line === 'The server is back.').length === 2)
    expect(said[1]).to.match(/^The server ended by SIGKILL/)
    await supervisor.stop(0)
  })

  it('waits longer each time, and goes on trying', async () => {
    let program: keyof typeof programs = 'good'
    await supervisor.keep(
      'The server',
      launchOf(() => program),
    )
    program = 'stillborn'
    await killed(children[0], 'SIGKILL')
    await until(() => said.filter((line) => line.includes('starting it again')).length >= 5)
    const waits = said.flatMap((line) => /again in ([\d.]+) s/.exec(line)?.[1] ?? []).map(Number)
    expect(waits.slice(0, 5)).to.deep.equal([0.005, 0.01, 0.02, 0.04, 0.04])
    program = 'good'
    await until(() => said.includes('The server is back.'))
    await supervisor.stop(0)
  })

  it('does not hide that something never started', async () => {
    const failure = await supervisor.keep('The server', launchOf('stillborn')).catch((error: Error) => error.message)
    expect(failure).to.equal('it stopped while starting')
    expect(said).to.deep.equal([])
    await supervisor.stop(1)
    expect(ends).to.deep.equal([1])
  })

  it('stops what is between two starts, and starts nothing any more', async () => {
    let program: keyof typeof programs = 'good'
    await supervisor.keep(
      'The server',
      launchOf(() => program),
    )
    program = 'stillborn'
    await killed(children[0], 'SIGKILL')
    await supervisor.stop(0)
    const count = children.length
    await new Promise((resolve) => setImmediate(resolve))
    expect(ends).to.deep.equal([0])
    expect(children.length).to.equal(count)
  })

  it('ends what is deaf to it when its patience is over', async () => {
    await supervisor.keep('The database', launchOf('good'))
    await supervisor.keep('The server', launchOf('deaf'))
    await supervisor.stop(0)
    expect(children.every(ended)).to.equal(true)
    expect(said).to.include('The server does not stop: ending it.')
  })

  it('ends at once when it is asked a second time', async () => {
    await supervisor.keep('The server', launchOf('deaf'))
    void supervisor.stop(0)
    await supervisor.stop(0)
    expect(ends).to.deep.equal([1])
    await until(() => children.every(ended))
    expect(children[0]?.signalCode).to.equal('SIGKILL')
  })
})
