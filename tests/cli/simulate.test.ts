import { expect } from 'chai'
import { spawnSync } from 'node:child_process'
import { changedExample, exampleOf } from '../harness/cases/example-cases'

/** What a light crepe over an opened cast adds. */
const crepeKPa = 0.5

interface Run {
  readonly status: number | null
  readonly out: Record<string, unknown>
  readonly err: string
}

function simulate(what: string, input: object): Run {
  const run = spawnSync(process.execPath, ['scripts/wren.mjs', 'simulate', what, '-'], { encoding: 'utf8', input: JSON.stringify(input) })
  return { status: run.status, out: run.stdout ? (JSON.parse(run.stdout) as Record<string, unknown>) : {}, err: run.stderr }
}

describe('wren simulate', () => {
  it('heat: the skin minute by minute, its peak and the burn integral', () => {
    const { status, out } = simulate('heat', exampleOf('leg-slab'))
    const curve = out['skinC'] as number[]
    expect(status).to.equal(0)
    expect(curve).to.have.length(61)
    expect(out['peakC']).to.be.at.least(Math.max(...curve))
    expect(out['peakC']).to.be.within(35, 50)
    expect(out['omega']).to.be.at.least(0)
  })

  it('heat: hot water is a stop and exits 3', () => {
    const hot = changedExample('leg-slab', (file) => {
      file['environment'] = { waterC: 45, roomC: 21 }
    })
    expect(simulate('heat', hot).status).to.equal(3)
  })

  it('swelling: five ways of leaving room, none above the closed one but by its crepe', () => {
    const { status, out } = simulate('swelling', exampleOf('leg-cast'))
    const ways = out['ways'] as { opening: string; kPa: (number | null)[] }[]
    const closed = ways.find((way) => way.opening === 'closed')
    expect(status).to.be.oneOf([0, 3])
    expect(ways.map((way) => way.opening)).to.have.length(5)
    for (const way of ways) {
      way.kPa.forEach((kPa, hour) => {
        if (kPa !== null) expect(kPa).to.be.at.most((closed?.kPa[hour] ?? Infinity) + crepeKPa + 1e-9)
      })
    }
  })

  it('rig: tensions, lift and pull of the suspended leg', () => {
    const { status, out } = simulate('rig', exampleOf('suspended-ring-traction'))
    expect(status).to.equal(0)
    const tensions = out['tensionsN'] as Record<string, number>
    expect(Object.keys(tensions)).to.deep.equal(['strand1', 'strand2', 'cord', 'counterweight'])
    expect(Object.values(tensions).every((newton) => newton >= 0)).to.equal(true)
    expect(out['liftN']).to.be.greaterThan(0)
    expect([out['sideN'], out['hipMomentNm'], out['ringLoadN']]).to.deep.equal([0, 0, 0])
    expect((out['balance'] as Record<string, number>)['suspensionKg']).to.be.closeTo(tensions['strand1']! / 9.81, 1e-9)
  })

  it('rig: takes its geometry and weights from the case, whatever is null as planned', () => {
    const withRig = (rig: object): Record<string, unknown> => simulate('rig', { ...exampleOf('suspended-ring-traction'), rig }).out
    const planned = withRig({ kind: null, beamCm: 100, fixedCm: [-30, 30], carriedAtCm: null, suspensionKg: null, eta: 0.96 })
    expect(planned).to.deep.equal(simulate('rig', exampleOf('suspended-ring-traction')).out)
    const light = withRig({ suspensionKg: 3 })
    expect(light['hipMomentNm']).to.be.greaterThan(0)
    const straight = withRig({ kind: 'straight-cord' })
    expect(straight['liftN']).to.be.closeTo(Number(planned['liftN']), 1e-9)
    expect((straight['tensionsN'] as Record<string, number>)['strand2']).to.equal(0)
    const heavy = simulate('rig', { ...exampleOf('suspended-ring-traction'), rig: { counterweightKg: 7 } })
    expect(heavy.status, 'the cord drags the skin with 7 kg').to.equal(3)
  })

  for (const [rig, fault] of [
    [{ beamCm: 0 }, /rig beamCm must be from 20 to 250/],
    [{ fixedCm: [30, -30] }, /rig fixedCm must be two places/],
    [{ kind: 'hoist' }, /rig kind cannot be "hoist"/],
    [{ weight: 4 }, /rig.*weight/],
    [{ eta: '0.9' }, /rig eta must be a number/],
  ] as const)
    it(`rig: ${JSON.stringify(rig)} is named, and computed as planned`, () => {
      const { status, err, out } = simulate('rig', { ...exampleOf('suspended-ring-traction'), rig })
      expect(status).to.equal(2)
      expect(err).to.match(fault)
      expect(out['hipMomentNm']).to.equal(0)
    })

  for (const [what, technique, fault] of [
    ['heat', 'walker-boot', /walker-boot sets nothing that warms/],
    ['rig', 'leg-slab', /leg-slab has no rig/],
    ['swelling', 'care-collar', /No girth was measured/],
  ] as const) {
    it(`${what} of ${technique} is refused in words, exit 2`, () => {
      const { status, err } = simulate(what, exampleOf(technique))
      expect(status).to.equal(2)
      expect(err).to.match(fault)
    })
  }

  it('an unknown simulation is a usage error', () => {
    const run = simulate('weather', exampleOf('leg-slab'))
    expect(run.status).to.equal(2)
    expect(run.err).to.match(/heat/)
  })
})
