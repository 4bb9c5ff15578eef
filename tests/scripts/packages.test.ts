import { spawn, type ChildProcess } from 'node:child_process'
import { chmodSync, cpSync, existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { expect } from 'chai'
import { patienceMs } from '../harness/patience'

const root = fileURLToPath(new URL('../..', import.meta.url))
const lock = {
  packages: {
    '': { name: 'x' },
    'node_modules/one': { version: '1.0.0', integrity: 'sha512-a' },
    'node_modules/other-machine': { version: '2.0.0', integrity: 'sha512-b', optional: true },
  },
}

/** A checkout with a lock file and an npm that takes its time: it empties node_modules first, and writes its list when it is through. */
describe('getting the npm packages', () => {
  let folder: string
  const children: ChildProcess[] = []
  const list = (): string => join(folder, 'node_modules/.package-lock.json')
  const ran = (): number => (existsSync(join(folder, 'ran')) ? readFileSync(join(folder, 'ran'), 'utf8').length : 0)
  const until = async (isSo: () => boolean, what: string): Promise<void> => {
    for (const end = Date.now() + patienceMs; !isSo();) {
      if (Date.now() > end) throw new Error(`never: ${what}`)
      await new Promise((resolve) => setTimeout(resolve, 10))
    }
  }

  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'wren-packages-'))
    mkdirSync(join(folder, 'scripts'))
    mkdirSync(join(folder, 'bin'))
    cpSync(join(root, 'scripts/needs.mjs'), join(folder, 'scripts/needs.mjs'))
    writeFileSync(join(folder, 'package-lock.json'), JSON.stringify(lock))
    const npm = `#!/usr/bin/env node
// npm ci
const { appendFileSync, mkdirSync, rmSync, existsSync, writeFileSync, copyFileSync } = require('node:fs')
process.title = 'npm ci'
appendFileSync('ran', '.')
rmSync('node_modules', { recursive: true, force: true })
mkdirSync('node_modules/one', { recursive: true })
const timer = setInterval(() => {
  if (existsSync('wait')) return
  clearInterval(timer)
  if (existsSync('fail')) process.exit(1)
  copyFileSync('package-lock.json', 'node_modules/.package-lock.json')
}, 10)`
    writeFileSync(join(folder, 'bin/npm'), npm)
    chmodSync(join(folder, 'bin/npm'), 0o755)
  })
  afterEach(() => {
    rmSync(join(folder, 'wait'), { force: true })
    for (const child of children.splice(0)) child.kill('SIGKILL')
    rmSync(folder, { recursive: true, force: true, maxRetries: 5 })
  })

  /** What a start says of its packages, and how it ends. */
  const start = (): { child: ChildProcess; ended: Promise<{ code: number | null; words: string }>; words: () => string } => {
    const program =
      "import('./scripts/needs.mjs').then(({ needPackages }) => needPackages(console.log)).catch((e) => { console.log(e.message); process.exit(1) })"
    const child = spawn(process.execPath, ['-e', program], {
      cwd: folder,
      env: { ...process.env, PATH: `${join(folder, 'bin')}:${process.env['PATH'] ?? ''}` },
    })
    children.push(child)
    let words = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => void (words += chunk.toString()))
    return { child, words: () => words, ended: new Promise((resolve) => child.once('close', (code) => resolve({ code, words }))) }
  }

  it('gets them once; whoever ran npm ci by hand gets nothing again', async () => {
    expect(await start().ended).to.deep.equal({ code: 0, words: 'Installing npm packages…\n' })
    expect(await start().ended).to.deep.equal({ code: 0, words: '' })
    expect(ran()).to.equal(1)
    rmSync(join(folder, 'node_modules'), { recursive: true })
    mkdirSync(join(folder, 'node_modules'))
    writeFileSync(list(), JSON.stringify({ packages: { 'node_modules/one': lock.packages['node_modules/one'] } }))
    expect((await start().ended).words, 'without what is for another machine').to.equal('')
  })

  it('gets them anew where one is another than the lock file has, or is missing', async () => {
    mkdirSync(join(folder, 'node_modules'))
    for (const packages of [{ 'node_modules/one': { version: '0.9.0', integrity: 'sha512-a' } }, {}]) {
      writeFileSync(list(), JSON.stringify({ packages }))
      expect((await start().ended).words).to.include('Installing')
    }
    expect(ran()).to.equal(2)
  })

  it('says so where it fails, and tries again at the next start', async () => {
    writeFileSync(join(folder, 'fail'), '')
    const { code, words } = await start().ended
    expect(code).to.equal(1)
    expect(words).to.include('check the network and the free disk space')
    rmSync(join(folder, 'fail'))
    expect((await start().ended).code).to.equal(0)
  })

  for (const signal of ['SIGTERM', 'SIGKILL'] as const) {
    it(`ended by ${signal} in the middle it leaves a checkout that starts`, async () => {
      writeFileSync(join(folder, 'wait'), '')
      const first = start()
      await until(() => existsSync(join(folder, 'dist/installing.pid')) && ran() === 1, 'it installs')
      first.child.kill(signal)
      await new Promise((resolve) => first.child.once('exit', resolve))
      // An npm that outlived its start goes on, and the next start waits for it.
      const second = start()
      if (signal === 'SIGKILL') await until(() => second.words().includes('waiting for it'), 'the second waits')
      rmSync(join(folder, 'wait'))
      expect((await second.ended).code).to.equal(0)
      expect(existsSync(list())).to.equal(true)
      expect(existsSync(join(folder, 'dist/installing.pid'))).to.equal(false)
    })
  }
})
