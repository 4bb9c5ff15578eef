import { isLong, longSeed } from '../../harness/long'
import { expect } from 'chai'
import fc from 'fast-check'
import { injuryFlags, patientFlags, patterns, regions, swellings } from '#core/model/vocabulary'
import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import { defaultProtocol } from '#core/quantities/defaults'
import { checkRegistry, findTechnique, techniques } from '#core/techniques/registry'
import { findOrderBreaks, openSteps } from '#core/runs/check-order'
import { listMeasurementIds, measurementWords } from '#core/techniques/measurement-ids'
import { optionValues } from '#core/planner/technique'
import { cautionCodes, planFile, problemLines, testContext, type CaseFile } from '../../harness/cases/leg-slab-cases'
import { changedExample, exampleOf, techniqueIds } from '../../harness/cases/example-cases'

describe('every technique', () => {
  it('is changed only for techniques of the same part of the body', () => {
    for (const technique of techniques) {
      for (const next of technique.changesTo ?? [])
        expect([findTechnique(next)?.bodyRegion].flat(), `${technique.id} to ${next}`).to.include.members([technique.bodyRegion].flat())
    }
    expect(techniques.filter((technique) => technique.changesTo).length).to.be.at.least(3)
  })

  it('is there once', () => {
    expect(new Set(techniqueIds).size).to.equal(techniques.length)
    const [first] = techniques
    expect(() => checkRegistry(first ? [first, first] : [])).to.throw('registered twice')
  })

  for (const id of techniqueIds) {
    describe(id, () => {
      const plan = planFile(exampleOf(id))
      const technique = findTechnique(id)
      const stepIds = plan.procedure.steps.map((step) => step.id)

      it('plans its published example whole', () => {
        expect(plan.problems).to.deep.equal([])
        expect(plan.pending).to.deep.equal([])
        expect(plan.cautions.filter((caution) => caution.level === 'stop')).to.deep.equal([])
      })

      it('decides only what it declares, each with its formula and source', () => {
        const ids = plan.decisions.map((decision) => decision.id)
        expect(technique?.decisions.map((decision) => decision.id)).to.include.members(ids)
        expect(new Set(ids).size).to.equal(ids.length)
        for (const decision of plan.decisions) {
          expect(decision.formula, decision.id).to.match(/\.$/)
          expect(decision.label, decision.id).to.match(/\S/)
          expect(decision.display, decision.id).to.match(/\S/)
          expect(['anatomy', 'physics', 'practice', 'model']).to.include(decision.source)
        }
      })

      it('has steps with reasons, in an order that breaks nothing', () => {
        expect(new Set(stepIds).size).to.equal(stepIds.length)
        for (const step of plan.procedure.steps) {
          for (const words of [step.text, step.why, step.prevents]) expect(words, step.id).to.match(/\S\.?$/)
          for (const before of step.after) expect(stepIds, `${step.id} after ${before}`).to.include(before)
          if (step.holds) expect(stepIds).to.include.members([step.holds.from, step.holds.to])
          expect(step.minutes[0]).to.be.at.most(step.minutes[1])
          expect(step.minutes[1]).to.be.at.most(step.minutes[2])
        }
        expect(findOrderBreaks(plan.procedure.steps, stepIds)).to.deep.equal([])
      })

      it('asks for both identifiers and the baseline before the first step on the patient', () => {
        const first = plan.procedure.steps.findIndex((step) => step.onPatient)
        expect(stepIds.indexOf('identity')).to.be.within(0, first)
        expect(plan.procedure.steps.find((step) => step.id === 'identity')?.confirm).to.match(/confirmed/)
        expect(plan.procedure.steps.find((step) => step.id === 'after-check')?.confirm).to.match(/\S/)
      })

      it('has fit tests with remedies, care, a schedule, and a drawing', () => {
        expect(plan.fit.length).to.be.greaterThan(0)
        for (const test of plan.fit) expect(test.remedy, test.id).to.match(/\S/)
        expect(plan.care.length).to.be.greaterThan(2)
        expect(plan.schedule.length).to.be.greaterThan(0)
        expect(new Set(plan.schedule.map((entry) => entry.id)).size).to.equal(plan.schedule.length)
        expect(plan.geometry.stations.length).to.be.greaterThan(1)
      })

      it('takes every value of every option', () => {
        for (const option of technique?.options ?? []) {
          for (const value of optionValues(option, defaultProtocol)) {
            expect(value.why, `${option.id} ${value.id}`).to.match(/\S/)
            const other = planFile(changedExample(id, (file) => void (file.options[option.id] = value.id)))
            expect(other.problems.map((problem) => problem.code)).not.to.include('unknown-option')
            expect(other.options[option.id]).to.equal(value.id)
          }
        }
      })

      it('stops on another part of the body', () => {
        const wrong = technique?.bodyRegion === 'neck' || [technique?.bodyRegion].flat().includes('trunk') ? 'foot' : 'trunk'
        const other = planFile(changedExample(id, (file) => void (file.injury['region'] = wrong)))
        expect(cautionCodes(other)).to.include('wrong-region')
      })
    })
  }
})

describe('bad input, for every technique', () => {
  const figures = (file: CaseFile): Record<string, unknown>[] =>
    file.measurements.filter((measurement) => typeof measurement['value'] === 'number' && measurement['unit'] === 'cm')

  for (const id of techniqueIds) {
    const technique = findTechnique(id)
    const required = exampleOf(id).measurements.find((measurement) =>
      technique
        ?.measurements(readCase(exampleOf(id)).clinicalCase!, {})
        .some((asked) => asked.need === 'required' && asked.definition.id === measurement['id']),
    )
    if (required) {
      it(`${id}: a missing required reading is named`, () => {
        const plan = planFile(
          changedExample(
            id,
            (file) => void (file.measurements = file.measurements.filter((measurement) => measurement['id'] !== required['id'])),
          ),
        )
        expect(problemLines(plan)).to.include(`missing measurements/${String(required['id'])}`)
      })
    }
    if (figures(exampleOf(id)).length > 0) {
      it(`${id}: a length in degrees is refused and named`, () => {
        const plan = planFile(changedExample(id, (file) => void (figures(file)[0]!['unit'] = 'deg')))
        expect(problemLines(plan).some((line) => line.startsWith('unknown-unit measurements/'))).to.equal(true)
      })

      it(`${id}: two readings that differ ask for a third`, () => {
        const file = exampleOf(id)
        const usable = figures(file).find((figure) => Number(figure['value']) > 4)
        if (!usable) return expect(id).to.equal('care-collar')
        file.measurements.push({ ...usable, value: Number(usable['value']) + 3 })
        expect(problemLines(planFile(file)).some((line) => line === `third-reading measurements/${String(usable['id'])}`)).to.equal(true)
      })

      it(`${id}: an implausible reading is not used`, () => {
        const plan = planFile(changedExample(id, (file) => void (figures(file)[0]!['value'] = 900)))
        expect(problemLines(plan).some((line) => line.startsWith('implausible measurements/'))).to.equal(true)
      })
    }

    it(`${id}: an unknown option is named with the allowed ones`, () => {
      const plan = planFile(changedExample(id, (file) => void (file.options['colour'] = 'green')))
      expect(plan.problems.find((problem) => problem.code === 'unknown-option')?.message).to.include('supplies')
    })

    it(`${id}: an empty store is said, and nothing throws`, () => {
      const plan = planFile(changedExample(id, (file) => void (file['stock'] = [])))
      const uses = technique?.uses(plan.options) ?? []
      if (uses.length > 0) expect(cautionCodes(plan).some((code) => code === 'not-in-stock' || code === 'no-size')).to.equal(true)
    })

    it(`${id}: readings of the other side only are used with a word about it`, () => {
      const plan = planFile(
        changedExample(id, (file) => {
          for (const one of file.measurements) if (one['side']) one['side'] = file.injury['side'] ?? 'left'
        }),
      )
      expect(plan.problems.filter((problem) => problem.code === 'missing')).to.deep.equal([])
    })

    for (const [what, change] of [
      ['2 kg', (file: CaseFile) => void (file.patient['massKg'] = 2)],
      ['300 kg', (file: CaseFile) => void (file.patient['massKg'] = 300)],
      ['age 0', (file: CaseFile) => void (file.patient['ageYears'] = 0)],
      ['age 110', (file: CaseFile) => void (file.patient['ageYears'] = 110)],
      ['a level outside the limb', (file: CaseFile) => void (file.injury['levelCm'] = 200)],
      ['no injury side', (file: CaseFile) => void delete file.injury['side']],
      ['no patient at all', (file: CaseFile) => void Object.assign(file, { patient: {} })],
      ['no readings at all', (file: CaseFile) => void (file.measurements = [])],
    ] as const) {
      it(`${id}: ${what} gives figures and words, never nonsense`, () => expectSound(changedExample(id, change)))
    }
  }

  it('reports a level outside the limb and does not use it', () => {
    const plan = planFile(changedExample('pole-traction', (file) => void (file.injury['levelCm'] = 200)))
    expect(problemLines(plan)).to.include('implausible injury/levelCm')
    expect(cautionCodes(plan)).to.include('level-unknown')
  })
})

function expectSound(file: unknown): void {
  const { clinicalCase, problems } = readCase(file)
  expect(clinicalCase).not.to.equal(null)
  const plan = clinicalCase && planCase(clinicalCase, sharedContext, problems)
  expect(plan && findNonsense(plan)).to.equal(null)
}

const sharedContext = testContext()

/** The first figure that is not finite, or −0, with its path; null when all are sound. */
function findNonsense(value: unknown, path = ''): string | null {
  if (typeof value === 'number') return Number.isFinite(value) && !Object.is(value, -0) ? null : `${path} = ${value}`
  if (typeof value === 'string') return /\b(NaN|Infinity|undefined|null)\b/.test(value) ? `${path} = ${value}` : null
  if (typeof value !== 'object' || value === null) return null
  for (const [key, one] of Object.entries(value)) {
    const found = findNonsense(one, `${path}/${key}`)
    if (found) return found
  }
  return null
}

describe('random cases', () => {
  const ids = listMeasurementIds()
  const measurement = fc.record(
    {
      id: fc.constantFrom(...ids),
      side: fc.constantFrom('left', 'right', undefined),
      value: fc.oneof(fc.double({ min: -20, max: 130, noNaN: true }), fc.constantFrom(0, 1e-9, 250, 1e6)),
      unit: fc.constantFrom('cm', 'cm', 'cm', 'in', 'mm', 'fw', 'deg'),
      confirmed: fc.boolean(),
    },
    { requiredKeys: ['id', 'value'] },
  )
  const stockItem = fc.record(
    {
      item: fc.constantFrom('plaster-slab', 'padding-roll', 'elastic-bandage', 'plaster-roll', 'sling-pad', 'sling', 'stockinette'),
      technique: fc.constantFrom(...techniqueIds),
      size: fc.constantFrom('A', 'B'),
      setting: fc.constantFrom(0, 3, 6),
      widthCm: fc.constantFrom(0, 5, 10, 15),
      lengthCm: fc.constantFrom(0, 0.5, 15, 270),
      count: fc.constantFrom(0, 1),
      fits: fc.constantFrom(
        { 'oblique-groin-girth': [40, 60] },
        { 'waist-girth': [60, 90], 'chest-girth': [60, 100] },
        { 'foot-length': [22, 27] },
      ),
      straps: fc.constantFrom(0, 1, 3, 50),
    },
    { requiredKeys: [] },
  )
  const example = fc.constantFrom(...techniqueIds).chain((id) => fc.constant(id))
  const anyCase = fc.record({
    id: example,
    own: fc.boolean(),
    patient: fc.record(
      {
        ageYears: fc.constantFrom(0, 3, 11, 30, 80, 110),
        heightCm: fc.double({ min: 45, max: 220, noNaN: true }),
        massKg: fc.double({ min: 2, max: 300, noNaN: true }),
        flags: fc.uniqueArray(fc.constantFrom(...patientFlags), { maxLength: 5 }),
      },
      { requiredKeys: ['flags'] },
    ),
    injury: fc.record(
      {
        region: fc.constantFrom(...regions),
        side: fc.constantFrom('left', 'right'),
        pattern: fc.constantFrom(...patterns),
        flags: fc.uniqueArray(fc.constantFrom(...injuryFlags), { maxLength: 5 }),
        swelling: fc.constantFrom(...swellings),
        levelCm: fc.constantFrom(null, 0, 10, 60, 249),
      },
      { requiredKeys: ['flags', 'swelling'] },
    ),
    measurements: fc.array(measurement, { maxLength: 14 }),
    stock: fc.oneof(fc.constant('catalogue'), fc.array(stockItem, { maxLength: 6 })),
    people: fc.constantFrom(1, 2, 6),
    wearDays: fc.constantFrom(0, 3, 30),
    device: fc.constantFrom({}, { paddingLayers: 0 }, { material: 'plaster-fast', minutesSince: 3, paddingLayers: 1 }),
  })

  it('give no NaN, no endless loop and no throw in random draws', function () {
    this.timeout(120_000)
    fc.assert(
      fc.property(anyCase, ({ id, own, measurements, people, ...rest }) => {
        const base = exampleOf(id)
        const readings = measurements
          .filter((one) => measurementWords(one.id) === null)
          .map((one) => Object.fromEntries(Object.entries(one).filter(([, value]) => value !== undefined)))
        const file = { ...base, ...rest, crew: { people }, measurements: own ? [...base.measurements, ...readings] : readings }
        const { clinicalCase, problems } = readCase(file)
        const plan = clinicalCase && planCase(clinicalCase, sharedContext, problems)
        const nonsense = plan && findNonsense(plan)
        if (nonsense) throw new Error(nonsense)
        return plan !== null
      }),
      { numRuns: isLong ? 2000 : 300, seed: isLong ? longSeed : 20260110 },
    )
  })

  it('finish with both slow decisions as well', function () {
    this.timeout(120_000)
    fc.assert(
      fc.property(
        fc.constantFrom('leg-slab', 'slab-and-stirrup', 'volar-slab', 'leg-cast'),
        fc.integer({ min: 5, max: 45 }),
        fc.integer({ min: 2, max: 200 }),
        (id, waterC, massKg) => {
          const plan = planFile(
            changedExample(id, (file) => {
              file.patient['massKg'] = massKg
              file['environment'] = { waterC, roomC: 21 }
            }),
          )
          return findNonsense(plan) === null && plan.pending.length === 0
        },
      ),
      { numRuns: isLong ? 60 : 8, seed: isLong ? longSeed : 20260110 },
    )
  })
})

describe('the order of steps', () => {
  const { steps } = planFile(exampleOf('leg-slab')).procedure
  it('names what came too early and what was left out', () => {
    expect(findOrderBreaks(steps, ['padding', 'identity', 'baseline'])).to.deep.include({
      step: 'padding',
      before: 'baseline',
      isMissing: false,
      harm: 'a loss that is found later cannot be dated',
    })
    expect(findOrderBreaks(steps, ['mould'])).to.deep.equal([
      { step: 'mould', before: 'baseline', isMissing: true, harm: 'a loss that is found later cannot be dated' },
    ])
  })
  it('names hands that leave the head before blocks and straps, or before the collar is closed', () => {
    const collar = planFile(exampleOf('extrication-collar')).procedure.steps
    const ids = collar.map(({ id }) => id).filter((id) => id !== 'hands-off')
    for (const late of ['blocks', 'straps', 'close-collar'].filter((id) => ids.includes(id))) {
      const done = [...ids.slice(0, ids.indexOf(late)), 'hands-off', ...ids.slice(ids.indexOf(late))]
      expect(findOrderBreaks(collar, done), late).to.deep.include({
        step: 'hands-off',
        before: late,
        isMissing: false,
        harm: 'a head that rolls on the stretcher',
      })
    }
    expect(findOrderBreaks(collar, [...ids, 'hands-off'])).to.deep.equal([])
  })
  it('tells what is only another order than is usual, and binds all of it where a technique says nothing', () => {
    expect(findOrderBreaks(steps, ['identity', 'baseline', 'hold-foot', 'padding', 'cut-slab'])).to.deep.equal([])
    const early = findOrderBreaks(steps, ['identity', 'cut-slab', 'baseline', 'hold-foot', 'padding'])
    expect(early).to.deep.equal([{ step: 'cut-slab', before: 'padding', isMissing: false, harm: null }])
    const unmarked = steps.map(({ musts: _, ...step }) => step)
    expect(findOrderBreaks(unmarked, ['cut-slab', 'padding']).filter(({ harm }) => harm === null)).to.deep.equal([])
  })
  it('offers what may be done next', () => {
    expect(openSteps(steps, []).map((step) => step.id)).to.deep.equal(['protect', 'identity', 'explain', 'lay-out'])
    expect(openSteps(steps, ['identity', 'explain']).map((step) => step.id)).to.deep.equal(['protect', 'position', 'lay-out', 'baseline'])
  })
})
