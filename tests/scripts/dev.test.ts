import { expect } from 'chai'
import { spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { freePort } from '../harness/live-server'
import { processesUnder } from '../harness/processes-under'

const root = fileURLToPath(new URL('../..', import.meta.url))

describe('npm run dev', () => {
  let folder: string
  let dev: ChildProcess
  let output = ''

  before(() => {
    folder = mkdtempSync(join(tmpdir(), 'wren-dev-'))
  })
  after(() => {
    if (dev.exitCode === null && dev.signalCode === null) dev.kill('SIGKILL')
    rmSync(folder, { recursive: true, force: true, maxRetries: 5 })
  })
  const until = async (isSo: () => boolean): Promise<void> => {
    while (!isSo()) await new Promise((resolve) => setTimeout(resolve, 25))
  }

  it('shows the page as its source is, with the server behind it; SIGTERM ends the database and the stand-ins too', async () => {
    const port = await freePort()
    dev = spawn(process.execPath, ['scripts/dev.mjs'], {
      cwd: root,
      env: { ...process.env, PORT: String(port), WREN_DATA: folder, DATABASE_URL: '', NODE_ENV: 'test' },
    })
    for (const stream of [dev.stdout, dev.stderr]) stream?.on('data', (chunk: Buffer) => void (output += chunk.toString()))
    await until(() => output.includes('Ctrl-C stops it') || dev.exitCode !== null)
    expect(output).to.include(`Zesty Wren is ready at http://127.0.0.1:${port}\n`)
    const page = await fetch(`http://127.0.0.1:${port}/`)
    expect(await page.text()).to.include('/main.tsx')
    expect((await fetch(`http://127.0.0.1:${port}/api/health`)).ok).to.equal(true)
    const started = processesUnder(dev.pid ?? 0)
    expect(started.length).to.be.greaterThan(4)
    // Somebody has the page open, and listens.
    const listening = await fetch(`http://127.0.0.1:${port}/api/stream`)
    dev.kill('SIGTERM')
    expect(await new Promise((resolve) => dev.once('exit', resolve))).to.equal(0)
    await listening.body?.cancel().catch(() => undefined)
    await until(() => started.every((pid) => !existsSync(`/proc/${pid}`)))
  })
})
