import { expect } from 'chai'
import { spawn } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import type { Report } from '../../src/server/self-check/report'
import { differencesOf } from '../../src/server/self-check/compare'
import { copyWorld } from '../harness/copy-world'
import { itAtLength } from '../harness/long'
import { readPdf } from '../harness/read-pdf'
import { startHarness } from '../harness/server-harness'

const root = fileURLToPath(new URL('../..', import.meta.url))

describe('the self-check', function () {
  this.timeout(120_000)
  let folder: string
  before(() => {
    folder = mkdtempSync(join(tmpdir(), 'wren-self-check-'))
  })
  after(() => rmSync(folder, { recursive: true, force: true }))

  const run = async (args: readonly string[], env: Record<string, string> = {}, at = root): Promise<{ code: number; words: string }> => {
    const child = spawn(process.execPath, [...args], { cwd: at, env: { ...process.env, ...env } })
    let words = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => void (words += chunk.toString()))
    return { code: await new Promise<number>((resolve) => child.once('close', resolve)), words }
  }
  const selfCheck = (args: readonly string[], env: Record<string, string> = {}): ReturnType<typeof run> =>
    run(['scripts/wren.mjs', 'self-check', ...args], env)
  const url = process.env['TEST_DATABASE_URL'] ?? ''

  it('passes on this machine with a database that is whole, line by line, and names versions and no password', async () => {
    await copyWorld(url, process.env['TEST_WORLD'] ?? '')
    const { code, words } = await selfCheck([], { DATABASE_URL: url, WREN_MASTER_KEY: 'not said' })
    expect(code, words).to.equal(0)
    expect(words).to.match(/pass {2}figures of leg-slab: \d+ published figures/)
    expect(words).to.match(/pass {2}plan of suspended-ring-traction: .*schedule.*rig/)
    expect(words).to.match(/pass {2}round, leg-slab: pulse gone: urgent/)
    expect(words).to.match(/pass {2}chain, anchors, stock: \d+ streams/)
    expect(words).to.match(/^core \d/m)
    expect(words).to.include('WREN_MASTER_KEY').and.not.include('not said').and.not.include(new URL(url).password)
    expect(words).to.match(/PASS: (\d+) of \1\./)
  })

  it('is JSON, and a paper to file', async () => {
    const paper = join(folder, 'self-check.pdf')
    const { code, words } = await selfCheck(['--quick', '--json', '--pdf', paper])
    expect(code, words).to.equal(0)
    const report = JSON.parse(words) as Report
    expect([report.format, report.isRight, report.lines.every((line) => line.isRight)]).to.deep.equal(['zesty-wren/self-check', true, true])
    const pages = await readPdf(readFileSync(paper))
    expect([Math.round(pages[0]?.widthMm ?? 0), Math.round(pages[0]?.heightMm ?? 0)]).to.deep.equal([210, 297])
  })

  it('fails where the database was changed, where a server does not answer, and where none is named', async () => {
    const harness = await startHarness()
    try {
      // Its clock is that of the test.
      const { code, words } = await selfCheck(['--quick', '--server', harness.address])
      expect(code).to.equal(1)
      expect(words).to.match(/pass {2}server .*up, and its database too/)
      expect(words).to.match(/FAIL {2}clock of the server/)
    } finally {
      await harness.stop()
    }
    expect((await selfCheck(['--quick', '--server', 'http://127.0.0.1:9'])).words).to.match(/FAIL {2}server .* does not answer/)
    const without = await selfCheck([], { DATABASE_URL: '', WREN_DATA: join(folder, 'none') })
    expect([without.code, /FAIL {2}database: which\?/.test(without.words)]).to.deep.equal([1, true])
    expect((await selfCheck(['--loud'])).code).to.equal(2)
    expect((await selfCheck(['--server', 'nowhere'])).words).to.include('--server must be a URL')
  })

  describe('in a program with one fault', () => {
    let copy: string
    before(() => {
      copy = join(folder, 'program')
      for (const part of ['src', 'docs/formats', 'package.json', 'tsconfig.json'])
        cpSync(join(root, part), join(copy, part), { recursive: true })
      symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'))
    })

    for (const [name, file, from, to, found] of [
      [
        'a constant of the schedule',
        'planner/schedule-rounds.ts',
        '{ everyMin: 15, times: 4 }',
        '{ everyMin: 20, times: 4 }',
        /plan of .*schedule/,
      ],
      ['a constant of the limb', 'figures/traction/leg-masses.ts', 'value: 0.0465', 'value: 0.0645', /plan of .*traction.*rig|figures/],
      ['a constant of heat', 'figures/heat/solve-heat.ts', 'runS = 3600', 'runS = 600', /plan of .*heat/],
      ['a rule of the round', 'rounds/look-at-limb.ts', 'refillS > other + 2', 'refillS > other + 20', /round, .*slow refill/],
    ] as const) {
      const test = name === 'a rule of the round' ? it : itAtLength
      test(`finds ${name}`, async () => {
        const path = join(copy, 'src/core', file)
        const right = readFileSync(path, 'utf8')
        expect(right.includes(from), `${from} stands in ${file}`).to.equal(true)
        writeFileSync(path, right.replace(from, to))
        const { code, words } = await run(['--import', 'tsx', 'src/server/self-check.ts', '--quick'], {}, copy)
        writeFileSync(path, right)
        expect(code, words).to.equal(1)
        const wrong = words.split('\n').filter((line) => line.startsWith('FAIL  '))
        expect(wrong.join('\n')).to.match(found)
        expect(words).to.include('Do not use it on patients')
      })
    }
  })

  it('compares figures to the last places, and says where they differ', () => {
    expect(differencesOf({ a: [1, 2.000_000_1] }, { a: [1, 2] })).to.deep.equal([])
    expect(differencesOf({ a: [1, 2.1], b: 'x' }, { a: [1, 2] })).to.deep.equal([
      'a/1: 2 where it must be 2.1',
      'b: nothing where it must be "x"',
    ])
  })
})
