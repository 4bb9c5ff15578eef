import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'
import { freePort } from '../harness/live-server'

const root = fileURLToPath(new URL('../..', import.meta.url))

/** The archive on a machine that reaches no registry: npm asks an address where nobody is. */
describe('npm run package', function () {
  this.timeout(240_000)
  const folder = mkdtempSync(join(tmpdir(), 'wren-package-test-'))
  const noRegistry = { npm_config_registry: 'http://127.0.0.1:9', npm_config_cache: join(folder, 'no-cache') }
  let home: string
  let start: ChildProcess | null = null
  const run = (command: string, args: readonly string[], cwd: string): { code: number | null; words: string } => {
    const { status, stdout, stderr } = spawnSync(command, args, { cwd, encoding: 'utf8', env: { ...process.env, ...noRegistry } })
    return { code: status, words: `${stdout}${stderr}` }
  }
  before(() => {
    const made = spawnSync(process.execPath, ['scripts/package.mjs', folder], { cwd: root, encoding: 'utf8' })
    expect(made.status, `${made.stdout}${made.stderr}`).to.equal(0)
    const archive = readdirSync(folder).find((name) => name.endsWith('.tar.gz'))!
    expect(run('sha256sum', ['-c', `${archive}.sha256`], folder).code).to.equal(0)
    expect(run('tar', ['-xzf', archive], folder).code).to.equal(0)
    home = join(folder, archive.replace('.tar.gz', ''))
  })
  after(async () => {
    if (start && start.exitCode === null) {
      start.kill('SIGTERM')
      await new Promise((resolve) => start!.once('exit', resolve))
    }
    rmSync(folder, { recursive: true, force: true, maxRetries: 5 })
  })

  it('holds what runs, and nothing that builds or tests', () => {
    expect(existsSync(join(home, 'node_modules/express'))).to.equal(true)
    for (const name of ['src', 'tests', 'node_modules/vite', 'node_modules/mocha', '.git', '.data'])
      expect(existsSync(join(home, name)), name).to.equal(false)
    const bill = JSON.parse(
      readFileSync(
        join(
          folder,
          readdirSync(folder).find((name) => name.endsWith('.cdx.json'))!,
        ),
        'utf8',
      ),
    ) as {
      readonly components: readonly unknown[]
    }
    expect(bill.components.length).to.be.greaterThan(100)
  })

  it('starts where it was unpacked, and works its published answers; nothing is got or built', async () => {
    const port = await freePort()
    let output = ''
    start = spawn(process.execPath, ['scripts/start.mjs', '--empty', '--port', String(port)], {
      cwd: home,
      env: { ...process.env, ...noRegistry, DATABASE_URL: '', WREN_DATA: join(folder, 'data') },
    })
    for (const stream of [start.stdout, start.stderr]) stream?.on('data', (chunk: Buffer) => void (output += chunk.toString()))
    while (!output.includes('is ready at') && start.exitCode === null) await new Promise((resolve) => setTimeout(resolve, 50))
    expect(output).to.include('is ready at').and.include('Self-check: PASS')
    expect(output).not.to.match(/Installing|Building/)
    expect((await fetch(`http://127.0.0.1:${port}/`)).status).to.equal(200)
  })

  it('plans, backs up and proves there', () => {
    const plan = run('npm', ['run', '--silent', 'wren', '--', 'plan', 'docs/formats/examples/leg-slab.case.json', '--format', 'text'], home)
    expect(plan.code, plan.words).to.be.oneOf([0, 3])
    const env = { ...process.env, ...noRegistry, DATABASE_URL: '', WREN_DATA: join(folder, 'data') }
    const kept = spawnSync('npm', ['run', 'backup', '--', join(folder, 'kept.sql.gz')], { cwd: home, encoding: 'utf8', env })
    expect(kept.status, kept.stderr).to.equal(0)
    expect(kept.stdout).to.match(/every chain is whole/)
    expect(kept.stdout).not.to.match(/Installing|Building/)
  })

  it('says so on another kind of machine, and where it is an archive already', () => {
    expect(run(process.execPath, ['scripts/package.mjs'], home).words).to.include('This is such an archive already')
    writeFileSync(join(home, 'packaged.json'), JSON.stringify({ version: '0', platform: 'linux', arch: 'none' }))
    const { code, words } = run(process.execPath, ['scripts/backup.mjs'], home)
    expect(code).to.equal(1)
    expect(words).to.match(/This archive is for linux on none|Which database/)
  })
})
