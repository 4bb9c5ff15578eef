import { expect } from 'chai'
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ankleCase, type CaseFile } from '../harness/cases/leg-slab-cases'

interface Run {
  readonly status: number | null
  readonly out: string
  readonly err: string
}

describe('the wren command', () => {
  const folder = mkdtempSync(join(tmpdir(), 'wren-cli-'))
  after(() => rmSync(folder, { recursive: true, force: true }))

  const wren = (args: readonly string[], input?: string): Run => {
    const run = spawnSync(process.execPath, ['scripts/wren.mjs', ...args], { encoding: 'utf8', input: input ?? '' })
    return { status: run.status, out: run.stdout, err: run.stderr }
  }
  const write = (name: string, change: (file: CaseFile) => void = () => undefined): string => {
    const file = ankleCase()
    change(file)
    const path = join(folder, name)
    writeFileSync(path, JSON.stringify(file))
    return path
  }

  it('prints a finished plan as JSON', () => {
    const run = wren(['plan', write('good.json')])
    expect(run.status).to.equal(0)
    expect(run.err).to.equal('')
    const plan = JSON.parse(run.out) as { format: string; pending: unknown[]; decisions: { id: string }[] }
    expect(plan.format).to.equal('zesty-wren/plan')
    expect(plan.pending).to.deep.equal([])
    expect(plan.decisions.map((decision) => decision.id)).to.include.members(['peak-skin-temp', 'least-crew'])
  })

  it('reads standard input and writes for people', () => {
    const run = wren(['plan', '-', '--format', 'text'], JSON.stringify(ankleCase()))
    expect(run.status).to.equal(0)
    expect(run.out).to.match(/Slab width: 20 cm/)
  })

  it('prints the plan, a line per problem and exit 2', () => {
    const run = wren([
      'plan',
      write('absurd.json', (file) => {
        file.measurements[2] = { id: 'calf-girth', side: 'left', value: 380, unit: 'cm' }
      }),
    ])
    expect(run.status).to.equal(2)
    expect(run.err).to.match(/^implausible measurements\/calf-girth Calf girth 380\.0 cm is not used/)
    expect(JSON.parse(run.out)).to.have.property('decisions')
  })

  it('exits 3 on a stop, before problems', () => {
    const run = wren([
      'plan',
      write('stop.json', (file) => {
        file.injury['pattern'] = 'achilles-rupture'
        file.measurements[0] = { id: 'slab-path', side: 'right', value: 'x' }
      }),
    ])
    expect(run.status).to.equal(3)
    expect(run.err).to.match(/^format measurements\/0\/value/)
  })

  it('plans several files, a line each, and exits with the greatest', () => {
    const broken = join(folder, 'broken.json')
    writeFileSync(broken, '{')
    const run = wren([
      'plan',
      write('one.json'),
      broken,
      join(folder, 'absent.json'),
      write('two.json', (file) => {
        file.injury['flags'] = ['pulse-absent']
      }),
    ])
    const lines = run.out
      .trim()
      .split('\n')
      .map((line) => JSON.parse(line) as { exit: number; plan: unknown; problems: unknown[] })
    expect(lines.map((line) => line.exit)).to.deep.equal([0, 2, 2, 3])
    expect(lines.map((line) => line.plan !== null)).to.deep.equal([true, false, false, true])
    expect(run.status).to.equal(3)
  })

  for (const [name, content] of [
    ['text that is not JSON', 'hello'],
    ['a list', '[]'],
    ['nothing', ''],
    ['another version', JSON.stringify({ format: 'zesty-wren/case', version: 2, technique: 'leg-slab' })],
    ['an unknown technique', JSON.stringify({ format: 'zesty-wren/case', version: 1, technique: 'magic' })],
  ] as const) {
    it(`gives no plan and exit 2 for ${name}`, () => {
      const run = wren(['plan', '-'], content)
      expect(run.status).to.equal(2)
      expect(run.out).to.equal('')
      expect(run.err).to.match(/^(format|unknown-technique) \S+ .+\.\n$/)
    })
  }

  it('plans by a local protocol, and names what is wrong with one', () => {
    const path = join(folder, 'protocol.json')
    const keep = (protocol: object): string => {
      writeFileSync(path, JSON.stringify({ format: 'zesty-wren/protocol', version: 1, protocol }))
      return path
    }
    const run = wren([
      'plan',
      '--protocol',
      keep({ name: 'ours', version: 4, numbers: {}, options: { 'leg-slab/liner': 'stockinette-and-wool' } }),
      write('local.json'),
    ])
    expect(run.status).to.equal(0)
    const plan = JSON.parse(run.out) as { versions: { protocol: string }; options: Record<string, string> }
    expect([plan.versions.protocol, plan.options['liner']]).to.deep.equal(['ours/4', 'stockinette-and-wool'])
    const bad = wren(['plan', '--protocol', keep({ name: 'ours', version: 4, numbers: { 'padding.layers': 99 } }), write('local.json')])
    expect([bad.status, bad.out]).to.deep.equal([2, ''])
    expect(bad.err).to.equal('out-of-range numbers/padding.layers Padding, Layers: 99 is not from 1 to 8 layers.\n')
    expect(wren(['check', '--protocol', path, write('local.json')]).status).to.equal(2)
  })

  it('says which figures of a protocol are looser than shipped, and exits no milder than by those', () => {
    const path = join(folder, 'loose.json')
    writeFileSync(
      path,
      JSON.stringify({
        format: 'zesty-wren/protocol',
        version: 1,
        protocol: { name: 'ours', version: 4, numbers: { 'setting.hotC': 35 } },
      }),
    )
    const file = ankleCase()
    file['environment'] = { ...(file['environment'] as object), waterC: 33 }
    const caseFile = join(folder, 'hot.json')
    writeFileSync(caseFile, JSON.stringify(file))
    expect(wren(['plan', caseFile]).status).to.equal(3)
    const loose = wren(['plan', '--protocol', path, caseFile])
    expect(loose.status).to.equal(3)
    expect(loose.err).to.match(/^looser than shipped: Setting time, Water too hot above: 35 °C instead of 30 °C at most\n/)
    expect(loose.out).to.not.include('hot-water')
  })

  it('validates', () => {
    expect(wren(['validate', write('valid.json')]).status).to.equal(0)
    const bad = wren([
      'validate',
      write('invalid.json', (file) => {
        file.options['extent'] = 'elbow'
      }),
    ])
    expect(bad.status).to.equal(2)
    expect(JSON.parse(bad.out)).to.deep.include({ valid: false })
    expect(bad.err).to.include('unknown-option options/extent')
  })

  it('judges a check file and exits 3 when the last round is urgent', () => {
    const limb = { limb: 'leg', side: 'left', colour: 'pink', warmth: 'warm', refillS: 1.5, pulse: 'present' }
    const check = (pulse: string): string =>
      JSON.stringify({
        format: 'zesty-wren/check',
        version: 1,
        case: ankleCase(),
        rounds: [
          { atMin: 0, baseline: true, limbs: [limb] },
          { atMin: 15, limbs: [{ ...limb, pulse }] },
        ],
      })
    const urgent = wren(['check', '-'], check('absent'))
    expect(urgent.status).to.equal(3)
    const verdict = JSON.parse(urgent.out) as { format: string; rounds: { level: string; actions: string[]; complete: boolean }[] }
    expect(verdict.format).to.equal('zesty-wren/verdict')
    expect(verdict.rounds[1]).to.include({ level: 'urgent', complete: false })
    expect(verdict.rounds[1]?.actions.slice(0, 2)).to.deep.equal(['call-and-open', 'open-to-skin'])
    expect(wren(['check', '-'], check('present')).status).to.equal(0)
    expect(wren(['check', '-'], '{}').status).to.equal(2)
  })

  it('lists techniques with measurements, options and ranges', () => {
    const [slab] = JSON.parse(wren(['techniques']).out) as {
      id: string
      measurements: { id: string; landmarks: string }[]
      options: { id: string }[]
    }[]
    expect(slab?.id).to.equal('leg-slab')
    expect(slab?.measurements.every((measurement) => measurement.landmarks.length > 10)).to.equal(true)
    expect(slab?.options.map((option) => option.id)).to.include.members(['extent', 'front-gap', 'position', 'supplies'])
  })

  for (const args of [['plan'], ['nonsense'], ['plan', '--loud', 'x'], ['plan', '-', '--format', 'xml'], []]) {
    it(`explains itself for: wren ${args.join(' ')}`, () => {
      const run = wren(args)
      expect(run.status).to.equal(2)
      expect(run.out + run.err).to.include('wren plan FILE')
    })
  }
})
