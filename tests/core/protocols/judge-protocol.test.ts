import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { protocolFile, readProtocol } from '#core/files/read-protocol'
import { guardsLoosened } from '#core/protocols/guards-loosened'
import { compareProtocols } from '#core/protocols/compare-protocols'
import { judgeProtocol } from '#core/protocols/judge-protocol'
import { figureOf, protocolFigures } from '#core/protocols/protocol-figures'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import { planCase } from '#core/techniques/plan-case'
import { exampleOf, techniqueIds } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'
import { makeDraws } from '../../harness/cases/random-draws'

const local = (change: Partial<Protocol>): Protocol => ({ ...defaultProtocol, ...change })
const pathsOf = (protocol: Protocol): readonly string[] => judgeProtocol(protocol).map((problem) => problem.path)

describe('figures of a protocol', () => {
  it('each has a key of its own, a label, and a range that holds what is shipped', () => {
    expect(new Set(protocolFigures.map((protocolFigure) => protocolFigure.key)).size).to.equal(protocolFigures.length)
    expect(protocolFigures.length).to.be.greaterThan(100)
    for (const one of protocolFigures) {
      expect(one.label, one.key).to.match(/^[A-Z][^A-Z_]*$/)
      expect(one.least <= one.value && one.value <= one.greatest && one.least < one.greatest, one.key).to.equal(true)
    }
    expect(judgeProtocol(defaultProtocol)).to.deep.equal([])
    expect(guardsLoosened(defaultProtocol)).to.deep.equal([])
  })

  it('what is shipped, written out, is as shipped', () => {
    const whole = local({
      numbers: Object.fromEntries(protocolFigures.map((protocolFigure) => [protocolFigure.key, protocolFigure.value])),
    })
    expect(judgeProtocol(whole)).to.deep.equal([])
    expect(compareProtocols(defaultProtocol, whole)).to.deep.equal([])
  })

  it('every technique plans by any figures within their ranges, with no figure that is none', () => {
    const draw = makeDraws(20)
    for (let round = 0; round < 12; round++) {
      const numbers = Object.fromEntries(
        protocolFigures
          .filter((protocolFigure) => !protocolFigure.key.startsWith('plausibility'))
          .map((protocolFigure) => {
            const value = draw(protocolFigure.least, protocolFigure.greatest)
            return [protocolFigure.key, protocolFigure.isWhole ? Math.round(value) : value]
          }),
      )
      for (const technique of techniqueIds) {
        const { clinicalCase } = readCase(exampleOf(technique))
        const plan = clinicalCase && planCase(clinicalCase, { ...testContext(), protocol: local({ numbers }) })
        expect(JSON.stringify(plan), `${technique} ${round}`).not.to.match(/NaN|Infinity|undefined/)
        expect(plan?.decisions.length, technique).to.be.greaterThan(0)
      }
    }
  })
})

describe('what is wrong with a protocol', () => {
  it('names figures that there are not, beyond their range, not whole, or not in order', () => {
    expect(pathsOf(local({ numbers: { 'pull.nothing': 3 } }))).to.deep.equal(['numbers/pull.nothing'])
    expect(judgeProtocol(local({ numbers: { 'task-minutes.round': 0 } }))[0]?.message).to.equal(
      'Minutes for a piece of work, Round: 0 is not from 1.5 to 24 min.',
    )
    expect(pathsOf(local({ numbers: { 'padding.layers': 2.5 } }))).to.deep.equal(['numbers/padding.layers'])
    expect(pathsOf(local({ numbers: { 'pull.massShare': Number.NaN } }))).to.deep.equal(['numbers/pull.massShare'])
    expect(judgeProtocol(local({ numbers: { 'bandage.cautionMmHg': 41 } }))[0]?.message).to.equal(
      'Bandage, Caution above (41) must be less than Stop above (40): change one of them.',
    )
  })

  it('names schools that there are not, and what is ordered for each patient', () => {
    expect(pathsOf(local({ options: { 'leg-slab/extent': 'above-knee', 'extrication-collar/policy': 'soft' } }))).to.deep.equal([])
    expect(pathsOf(local({ options: { 'leg-slab/extent': 'to-the-hip' } }))).to.deep.equal(['options/leg-slab/extent'])
    expect(pathsOf(local({ options: { 'leg-slab/colour': 'blue', nonsense: 1 } }))).to.deep.equal([
      'options/leg-slab/colour',
      'options/nonsense',
    ])
    expect(pathsOf(local({ options: { 'leg-slab/ankle-ordered': 90 } }))).to.deep.equal(['options/leg-slab/ankle-ordered'])
    const stops = { ours: [{ fromWeek: 0, extensionStopDeg: 0, flexionStopDeg: 60, lock: 'open' }] }
    expect(pathsOf(local({ options: { 'hinged-knee-brace/protocol': 'ours' } }))).to.deep.equal(['options/hinged-knee-brace/protocol'])
    expect(pathsOf(local({ options: { 'hinged-knee-brace/protocol': 'ours' }, stopTables: stops }))).to.deep.equal([])
  })

  it('names rounds at no interval, no number of times, and lists that end too soon', () => {
    const rounds = (change: Protocol['rounds']): readonly string[] => pathsOf(local({ rounds: change ?? {} }))
    expect(rounds({ usual: [{ everyMin: 0, times: 4 }] })).to.deep.equal(['rounds/usual/0'])
    expect(rounds({ usual: [{ everyMin: 30, times: 0 }] })).to.deep.equal(['rounds/usual/0'])
    expect(rounds({ usual: [{ everyMin: 30, times: 1.5 }] })).to.deep.equal(['rounds/usual/0'])
    expect(rounds({ usual: [{ everyMin: 60, times: 3 }] })).to.deep.equal(['rounds/usual'])
    expect(rounds({ usual: [{ everyMin: 60, times: 4 }] })).to.deep.equal([])
    expect(rounds({ atRisk: [{ everyMin: 60, times: 71 }] })).to.deep.equal(['rounds/atRisk'])
    expect(rounds({ usual: [] })).to.deep.equal(['rounds/usual'])
    expect(rounds({ shifts: ['07:00', '25:00'] })).to.deep.equal(['rounds/shifts/1'])
    expect(rounds({ shifts: ['07:00', '07:00'] })).to.deep.equal(['rounds/shifts'])
    expect(rounds({ shifts: ['07:00'] })).to.deep.equal(['rounds/shifts'])
    expect(rounds({ shifts: [] })).to.deep.equal(['rounds/shifts'])
    expect(rounds({ shifts: ['19:00', '07:00'] })).to.deep.equal([])
  })

  it('names tables of stops that begin late, go back, or lock beyond their stops', () => {
    const row = { fromWeek: 0, extensionStopDeg: 0, flexionStopDeg: 60, lock: 'open' }
    const table = (...rows: (typeof row)[]): readonly string[] => pathsOf(local({ stopTables: { ours: rows } }))
    expect(table(row, { ...row, fromWeek: 4 })).to.deep.equal([])
    expect(table({ ...row, fromWeek: 2 })).to.deep.equal(['stopTables/ours'])
    expect(table()).to.deep.equal(['stopTables/ours'])
    expect(table(row, row)).to.deep.equal(['stopTables/ours/1'])
    expect(table({ ...row, extensionStopDeg: 70 })).to.deep.equal(['stopTables/ours/0'])
    expect(table({ ...row, lock: 'loose' })).to.deep.equal(['stopTables/ours/0'])
    expect(pathsOf(local({ stopTables: { default: [row] } }))).to.deep.equal(['stopTables/default'])
  })
})

describe('guarded figures of a protocol', () => {
  it('are told when a figure goes beyond the shipped one on their side alone', () => {
    expect(guardsLoosened(local({ numbers: { 'pull.skinMostKg': 4 } }))).to.deep.equal([])
    expect(guardsLoosened(local({ numbers: { 'pull.skinMostKg': 6, 'rounds.graceMostMin': 45 } }))).to.deep.equal([
      'Rounds, Grace, most: 45 min instead of 30 min at most',
      'Pull, Most on skin: 6 kg instead of 5 kg at most',
    ])
  })

  it('the at-risk list may be denser anywhere, and is told where it is thinner', () => {
    const atRisk = (...rows: readonly (readonly [number, number])[]): readonly string[] =>
      guardsLoosened(local({ rounds: { atRisk: rows.map(([everyMin, times]) => ({ everyMin, times })) } }))
    expect(atRisk([15, 4], [30, 4], [60, 69])).to.deep.equal([])
    expect(atRisk([15, 288])).to.deep.equal([])
    expect(atRisk([15, 4], [30, 4], [60, 10], [120, 30])).to.deep.equal([
      'At-risk rounds are further apart than as shipped from hour 13 on',
    ])
    expect(atRisk([30, 144])).to.deep.equal(['At-risk rounds are further apart than as shipped from hour 0 on'])
    expect(atRisk([15, 4], [30, 4], [60, 21])).to.deep.equal(['At-risk rounds are further apart than as shipped from hour 24 on'])
  })
})

describe('a protocol as a file', () => {
  const whole = local({
    name: 'local',
    version: 3,
    numbers: { 'task-minutes.round': 8 },
    options: { 'leg-slab/extent': 'above-knee' },
    rounds: { usual: [{ everyMin: 30, times: 10 }], shifts: ['07:00', '19:00'] },
    stopTables: { ours: [{ fromWeek: 0, extensionStopDeg: 0, flexionStopDeg: 60, lock: '10°' }] },
  })

  it('reads back what was saved', () => {
    expect(readProtocol(JSON.parse(JSON.stringify(protocolFile(whole))))).to.deep.equal({ protocol: whole, problems: [] })
    expect(figureOf('task-minutes.round', whole)).to.equal(8)
    expect(compareProtocols(defaultProtocol, whole).map((compareProtocol) => compareProtocol.what)).to.deep.equal([
      'Rounds',
      'Shifts change at',
      'Back slab, leg, Extent',
      'Minutes for a piece of work, Round',
      'Brace stops, ours',
    ])
  })

  it('says of anything else what is wrong with it', () => {
    for (const bad of [null, 7, 'text', [], {}, { format: 'zesty-wren/case', version: 1, protocol: {} }]) {
      const { protocol, problems } = readProtocol(bad)
      expect(protocol, JSON.stringify(bad)).to.equal(null)
      expect(problems.at(-1)?.message).to.match(/^This is no protocol file/)
    }
    const file = (protocol: object): readonly string[] =>
      readProtocol({ format: 'zesty-wren/protocol', version: 1, protocol }).problems.map((problem) => problem.path)
    expect(file({ numbers: { 'pull.skinMostKg': 'six' } })).to.deep.equal(['protocol/numbers/pull.skinMostKg'])
    expect(file({ colour: 1 })).to.deep.equal(['protocol/colour'])
    expect(file({ rounds: { usual: [{ everyMin: 15 }, 4] } })).to.have.members(['protocol/rounds/usual/0/times', 'protocol/rounds/usual/1'])
    expect(file({ rounds: { usual: [{ everyMin: 15, times: 2 }] } })).to.deep.equal(['rounds/usual'])
    expect(file({ stopTables: { ours: 'none' } })).to.deep.equal(['protocol/stopTables/ours'])
  })
})
