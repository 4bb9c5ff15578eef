import { expect } from 'chai'
import { keyMovements } from '#core/model/round-items'
import fc from 'fast-check'
import { readCase } from '#core/files/read-case'
import { heatDefaults } from '#core/model/heat-input'
import { solveSweepPoint, sweepPoints } from '#core/figures/heat/heat-sweep'
import { judgeCheck } from '#core/files/judge-check'
import { readCheck } from '#core/files/read-check'
import { defaultProtocol, readDefaults } from '#core/quantities/defaults'
import { forecastWard, nursesToClear, orderWork, type DueTask } from '#core/rounds/ward-forecast'
import { rankPositions } from '#core/techniques/rank-positions'
import { techniques } from '#core/techniques/registry'
import { betterThan, rankTechniques } from '#core/techniques/rank-techniques'
import { ankleCase, testContext } from '../../harness/cases/leg-slab-cases'
import { exampleOf } from '../../harness/cases/example-cases'

const task = (id: string, dueMin: number, takesMin = 10, level: DueTask['level'] = 'none'): DueTask => ({
  id,
  dueMin,
  graceMin: 5,
  takesMin,
  level,
  place: id,
})

describe('the ward', () => {
  it('orders work by level, then lateness, then place', () => {
    const ordered = orderWork([task('b', -5), task('a', -20), task('c', 10, 10, 'urgent'), task('d', -5)])
    expect(ordered.map((one) => one.id)).to.deep.equal(['c', 'a', 'b', 'd'])
  })

  it('forecasts who will be late with so many nurses, and what would clear it', () => {
    const tasks = ['a', 'b', 'c'].map((id) => task(id, 10))
    expect(forecastWard(tasks, 1, 240).tasks.map((one) => one.isLate)).to.deep.equal([false, true, true])
    expect(forecastWard(tasks, 3, 240).lateCount).to.equal(0)
    expect(nursesToClear(tasks, 240)).to.equal(3)
    expect(nursesToClear([], 240)).to.equal(1)
    expect(
      nursesToClear(
        Array.from({ length: 40 }, (_, index) => task(String(index), 0, 5)),
        240,
        4,
      ),
    ).to.equal(null)
  })

  it('never makes anybody later by adding a nurse', () => {
    const any = fc.array(
      fc
        .record({ dueMin: fc.integer({ min: -60, max: 240 }), takesMin: fc.integer({ min: 1, max: 30 }) })
        .map((one) => ({ ...task('x', one.dueMin), ...one })),
      { maxLength: 20 },
    )
    fc.assert(
      fc.property(any, fc.integer({ min: 1, max: 4 }), (tasks, nurses) => {
        const named = tasks.map((one, index) => ({ ...one, id: String(index) }))
        const spent = forecastWard(named, nurses, 240).tasks.filter((one) => one.startMin !== null)
        return spent.every((one) => (one.endMin ?? 0) - (one.startMin ?? 0) === one.takesMin && (one.startMin ?? 0) >= 0)
      }),
    )
  })
})

describe('the chooser', () => {
  const caseOf = (file: object) => readCase(file).clinicalCase!
  it('ranks what suits first and stops the rest with reasons', () => {
    const ranked = rankTechniques(caseOf(ankleCase()), testContext())
    expect(ranked.map((one) => one.technique)).to.have.members([...techniques])
    expect(ranked[0]?.technique.id).to.be.oneOf(['leg-slab', 'slab-and-stirrup', 'walker-boot', 'cast-opening'])
    const verdicts = ranked.map((one) => ['go', 'caution', 'stop'].indexOf(one.verdict))
    expect(verdicts).to.deep.equal([...verdicts].sort())
    for (const one of ranked.filter((each) => each.verdict === 'stop'))
      expect(one.reasons.some((reason) => reason.level === 'stop')).to.equal(true)
    const collar = ranked.find((one) => one.technique.id === 'extrication-collar')
    expect(collar?.verdict).to.equal('stop')
  })
  it('offers opening only where a cast is on, and traction first for a broken femur', () => {
    const opening = (file: object) => rankTechniques(caseOf(file), testContext()).find((technique) => technique.technique.opensCasts)
    expect(opening(ankleCase())?.verdict).to.equal('stop')
    expect(opening(ankleCase())?.reasons[0]?.code).to.equal('no-cast-on')
    const cast = exampleOf('leg-cast')
    expect(opening(cast)?.verdict).to.equal('stop')
    expect(opening({ ...cast, appliedAt: '2026-01-10T07:00:00Z' })?.verdict).not.to.equal('stop')
    const femur = rankTechniques(caseOf(exampleOf('ring-traction')), testContext())
    const possible = femur.filter((ranked) => ranked.verdict !== 'stop')
    expect(possible.map((ranked) => ranked.technique.id)).to.have.members([
      'ring-traction',
      'suspended-ring-traction',
      'pole-traction',
      'frame-traction',
    ])
    expect(femur.slice(0, possible.length)).to.deep.equal(possible)
  })
  it('names what suits better only when the one in hand is stopped, or another is a go', () => {
    const ranked = rankTechniques(caseOf(exampleOf('ring-traction')), testContext())
    expect(betterThan('leg-slab', ranked)?.technique.id).to.equal(ranked[0]?.technique.id)
    expect(betterThan(ranked[0]?.technique.id ?? '', ranked)).to.equal(null)
    expect(betterThan('unheard-of', ranked)).to.equal(null)
    const [first, second] = ranked
    if (!first || !second) throw new Error('nothing ranked')
    const pair = (a: 'go' | 'caution' | 'stop', b: 'go' | 'caution' | 'stop') =>
      betterThan(second.technique.id, [
        { ...first, verdict: a },
        { ...second, verdict: b },
      ]) !== null
    expect([
      pair('go', 'go'),
      pair('go', 'caution'),
      pair('caution', 'caution'),
      pair('caution', 'stop'),
      pair('stop', 'stop'),
    ]).to.deep.equal([false, true, false, true, false])
  })
  it('says what each needs and what the store lacks', () => {
    const ranked = rankTechniques(caseOf({ ...ankleCase(), stock: [{ item: 'plaster-slab', widthCm: 15, count: 2 }] }), testContext())
    const slab = ranked.find((one) => one.technique.id === 'leg-slab')
    expect(slab?.needs.stock).to.deep.include({ item: 'plaster-slab', isInStock: true })
    expect(slab?.needs.stock).to.deep.include({ item: 'padding-roll', isInStock: false })
    expect(slab?.needs.people).to.equal(2)
    expect(slab?.needs.minutes).to.be.greaterThan(10)
    expect(slab?.verdict).to.equal('caution')
  })
  it('offers positions, refused ones last with why, gravity first when hands are few', () => {
    const file = ankleCase()
    expect(rankPositions(caseOf(file), 1)[0]?.id).to.equal('face-down')
    file.patient['flags'] = ['pregnant-late', 'unstable']
    const refused = rankPositions(caseOf(file), 2)
    expect(refused.every((position) => position.refused !== null)).to.equal(true)
    file.patient['flags'] = ['breathless-lying']
    expect(rankPositions(caseOf(file), 2).map((position) => position.id)).to.deep.equal(['hanging', 'seated', 'lying', 'face-down'])
  })
})

describe('the heat map', () => {
  it('has its points in order, each solved alone', () => {
    const points = sweepPoints(16, 14)
    expect(points).to.have.length(224)
    expect(points[0]).to.deep.equal({ waterC: 15, layers: 4 })
    expect(points.at(-1)).to.deep.equal({ waterC: 45, layers: 30 })
    const base = {
      material: 'plaster-fast',
      layers: 10,
      paddingLayers: 2,
      waterC: 22,
      roomC: 21,
      backing: 'air',
      setMin: 5,
      constants: readDefaults(heatDefaults, defaultProtocol),
    } as const
    const solved = solveSweepPoint(base, { waterC: 22, layers: 10 }, undefined, defaultProtocol)
    expect(solved.peakC).to.be.closeTo(41, 0.5)
    expect(solveSweepPoint(base, { waterC: 45, layers: 30 }, undefined, defaultProtocol).peakC).to.be.greaterThan(solved.peakC)
  })
})

describe('rounds of neck and trunk', () => {
  const limb = (kind: string, side: string) => ({
    limb: kind,
    side,
    pulse: 'present',
    power: Object.fromEntries(keyMovements[kind === 'leg' ? 'leg' : 'arm'].map(({ id }) => [id, 5])),
    feeling:
      kind === 'leg'
        ? { 'deep-peroneal': 'normal', 'superficial-peroneal': 'normal', tibial: 'normal' }
        : { radial: 'normal', median: 'normal', ulnar: 'normal' },
  })
  const four = ['arm', 'leg'].flatMap((kind) => ['left', 'right'].map((side) => limb(kind, side)))
  const judge = (technique: string, rounds: object[]) => {
    const read = readCheck({ format: 'zesty-wren/check', version: 1, case: exampleOf(technique), rounds })
    expect(read.problems.filter((problem) => problem.code !== 'missing')).to.deep.equal([])
    return judgeCheck(read)!
  }
  const neck = { voice: 'normal', swallowing: 'normal', breathing: 'normal', veins: 'flat' }

  it('are complete with four limbs and the neck, and quiet when all is well', () => {
    const [verdict] = judge('extrication-collar', [{ atMin: 0, baseline: true, limbs: four, neck }])
    expect(verdict).to.include({ level: 'none', complete: true })
  })
  it('are urgent for harder breathing, and open the collar while the head is held', () => {
    const verdict = judge('extrication-collar', [
      { atMin: 0, baseline: true, limbs: four, neck },
      { atMin: 15, limbs: four, neck: { ...neck, breathing: 'harder' } },
    ]).at(-1)
    expect(verdict?.level).to.equal('urgent')
    expect(verdict?.actions).to.include('open-collar-held')
  })
  it('stay due without the limbs, and take no word that nobody listed', () => {
    const file = { format: 'zesty-wren/check', version: 1, case: exampleOf('extrication-collar') }
    const read = readCheck({ ...file, rounds: [{ atMin: 0, limbs: [], neck: { ...neck, voice: 'croaky' } }] })
    expect(read.problems.map((problem) => [problem.code, problem.path])).to.deep.equal([['format', 'rounds/0/neck/voice']])
    expect(read.problems[0]?.message).to.include('normal, changed')
    expect(judgeCheck(read)?.[0]).to.deep.include({ complete: false, level: 'none' })
    expect(judgeCheck(read)?.[0]?.missing).to.deep.equal(['neck/voice', 'arm-left', 'arm-right', 'leg-left', 'leg-right'])
  })
  it('are urgent for saddle numbness, lost strength and a higher level of feeling', () => {
    const spine = { saddle: 'normal', bladder: 'normal', bowel: 'normal', breathing: 'normal', belly: 'soft', vomiting: 'no', level: 'L2' }
    const weak = (power: number): object[] =>
      four.map((one) => ({ ...one, power: { ...one.power, ...('foot-up' in one.power ? { 'foot-up': power } : {}) } }))
    const found = judge('trunk-shell', [
      { atMin: 0, baseline: true, limbs: four, spine: { ...spine, level: 'normal' } },
      { atMin: 15, limbs: four, spine: { ...spine, level: 'normal', saddle: 'numb' } },
      { atMin: 30, limbs: weak(3), spine: { ...spine, level: 'normal' } },
      { atMin: 45, limbs: four, spine: { ...spine, level: 'T10' } },
      { atMin: 60, limbs: four, spine: { ...spine, level: 'normal', belly: 'distended' } },
    ]).map((round) => round.findings.map((finding) => `${finding.part}/${finding.item} ${finding.level}`).join(', '))
    expect(found).to.deep.equal([
      '',
      'spine/saddle urgent',
      'leg-left/power/foot-up urgent, leg-right/power/foot-up urgent',
      'spine/level urgent',
      'spine/belly review',
    ])
  })
  it('begin with what saves: the head before the collar; a shell is not opened for the cord', () => {
    const first = (technique: string, block: object): string | undefined =>
      judge(technique, [{ atMin: 0, limbs: four, ...block }])[0]
        ?.actions.slice(0, 4)
        .join(' ')
    expect(first('care-collar', { neck: { ...neck, breathing: 'noisy' } })).to.equal('hold-head call-senior airway open-collar-held')
    expect(first('trunk-shell', { spine: { saddle: 'numb' } })).to.equal('in-line call-senior nothing-opened breathing')
  })
})
