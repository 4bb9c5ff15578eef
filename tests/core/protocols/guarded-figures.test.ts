import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import type { ClinicalCase, Overrule } from '#core/model/clinical-case'
import { createMemo } from '#core/model/plan-context'
import { guardsLoosened } from '#core/protocols/guards-loosened'
import { protocolFigures, type ProtocolFigure } from '#core/protocols/protocol-figures'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import { finishPlan } from '#core/techniques/finish-plan'
import { planCase } from '#core/techniques/plan-case'
import { techniques } from '#core/techniques/registry'
import { exampleOf } from '../../harness/cases/example-cases'
import { testContext } from '../../harness/cases/leg-slab-cases'
import { sampleOf } from '../../harness/long'

/** A case in which something stops, by what the shipped figures say. */
interface Stopped {
  readonly clinicalCase: ClinicalCase
  readonly stops: readonly string[]
  /** Its heat is worked out as well: that takes longer. */
  readonly isHot: boolean
}

const memo = createMemo(20_000)
function stopsOf(clinicalCase: ClinicalCase, protocol: Protocol, isHot: boolean): readonly string[] {
  const ctx = { ...testContext(), memo, protocol }
  const plan = planCase(clinicalCase, ctx)
  const whole = plan && isHot ? finishPlan(plan, ctx, clinicalCase.overrules) : plan
  return (whole?.cautions ?? []).filter(({ level }) => level === 'stop').map(({ code, decisions }) => `${code} ${decisions.join()}`)
}

const massesKg = [9, 14, 40, 98, 150]
const waters = [35, 40]

/** Each example with masses, water, figures set by hand at their ends, and skin that must not burn: those in which something stops. */
function stopped(): readonly Stopped[] {
  return techniques.flatMap(({ id, decisions }) => {
    const { clinicalCase } = readCase(exampleOf(id))
    if (!clinicalCase) throw new Error(`the example of ${id} cannot be read`)
    const set = (decision: string, value: number): Overrule => ({ decision, value, reason: 'tried', by: 'A', at: '2026-01-10T08:00:00Z' })
    const figures = decisions.filter(({ kind }) => kind === 'number' || kind === 'whole')
    const hot = { ...clinicalCase, environment: { ...clinicalCase.environment, waterC: 29, roomC: 35, backing: 'pillow' as const } }
    const cases: readonly (readonly [ClinicalCase, boolean])[] = [
      [clinicalCase, false],
      ...massesKg.map((massKg) => [{ ...clinicalCase, patient: { ...clinicalCase.patient, massKg } }, false] as const),
      ...waters.map((waterC) => [{ ...clinicalCase, environment: { ...clinicalCase.environment, waterC } }, false] as const),
      ...figures.flatMap(({ id: decision, least, greatest }) =>
        [least, greatest].map((value) => [{ ...clinicalCase, overrules: [set(decision, value)] }, false] as const),
      ),
      [{ ...clinicalCase, patient: { ...clinicalCase.patient, flags: ['arterial-disease'] }, stock: narrow }, false],
      ...['slab-layers', 'cast-layers']
        .filter((decision) => figures.some((figure) => figure.id === decision))
        .map((decision) => [{ ...hot, overrules: [set(decision, 30)] }, true] as const),
    ]
    return cases.flatMap(([one, isHot]): Stopped[] => {
      const stops = stopsOf(one, defaultProtocol, isHot)
      return stops.length > 0 ? [{ clinicalCase: one, stops, isHot }] : []
    })
  })
}
const narrow = [
  { item: 'elastic-bandage', widthCm: 5, lengthCm: 450 },
  { item: 'padding-roll', widthCm: 15, lengthCm: 300 },
]

const withFigure = ({ key }: ProtocolFigure, value: number): Protocol => ({ ...defaultProtocol, numbers: { [key]: value } })

/** One case for each stop of each technique, the first. */
function onePerStop(all: readonly Stopped[]): readonly Stopped[] {
  const seen = new Set<string>()
  return all.filter(({ clinicalCase, stops }) => {
    const before = seen.size
    for (const stop of stops) seen.add(`${clinicalCase.technique} ${stop}`)
    return seen.size > before
  })
}

/** The first stop that a local figure lets pass, with its technique; null for none. */
function passed(figure: ProtocolFigure, value: number, cases: readonly Stopped[]): string | null {
  const protocol = withFigure(figure, value)
  for (const { clinicalCase, stops, isHot } of cases) {
    if (isHot !== figure.key.startsWith('heat.')) continue
    const left = stopsOf(clinicalCase, protocol, isHot)
    const gone = stops.find((stop) => !left.includes(stop))
    if (gone) return `${clinicalCase.technique}: ${gone}`
  }
  return null
}

describe('a local figure that would let a stop pass', () => {
  const cases = onePerStop(stopped())
  const open = protocolFigures.flatMap((figure) =>
    ([figure.least, figure.greatest] as const)
      .filter((value) => value !== figure.value && guardsLoosened(withFigure(figure, value)).length === 0)
      .map((value) => ({ figure, value })),
  )

  it('is held against cases of every technique that stop for many reasons', () => {
    expect(new Set(cases.flatMap(({ stops }) => stops.map((stop) => stop.split(' ')[0]))).size).to.be.greaterThan(8)
    expect(open.length).to.be.greaterThan(150)
  })
  for (const { figure, value } of sampleOf(open, 24))
    it(`${figure.key} at ${value} lets none pass, so that one lead may set it`, () => {
      expect(passed(figure, value, cases)).to.equal(null)
    })

  it('is signed by two leads where it would: no pull under 12 kg, the most in the field, friction, the bandage, the burn', () => {
    const loose: Readonly<Record<string, number>> = {
      'pull.leastBodyKg': 3,
      'pull.fieldMostKg': 9,
      'rig.friction': 0.1,
      'bandage.stopMmHg': 60,
      'heat.burnStop': 1,
      'heat.tissueK': 0.4,
      'setting.plaster-fast': 2,
    }
    for (const [key, value] of Object.entries(loose)) {
      const said = guardsLoosened({ ...defaultProtocol, numbers: { [key]: value } })
      expect(said, key).to.have.length(1)
      expect(said[0]).to.include(` ${value} `)
    }
    expect(guardsLoosened({ ...defaultProtocol, numbers: { 'pull.fieldMostKg': 5, 'bandage.stopMmHg': 35 } }), 'stricter').to.deep.equal([])
  })
})
