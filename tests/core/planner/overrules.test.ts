import { expect } from 'chai'
import { catalogue } from '#core/catalogue/catalogue'
import { readCase } from '#core/files/read-case'
import { createMemo } from '#core/model/plan-context'
import type { DecisionDefinition } from '#core/model/decision-definition'
import { finishPlan } from '#core/techniques/finish-plan'
import { planExit, type Plan } from '#core/model/plan'
import { planCase } from '#core/techniques/plan-case'
import { techniques } from '#core/techniques/registry'
import { sampleOf } from '../../harness/long'
import { exampleFile, exampleNames } from '../../../scripts/generate/example-files'
import { decisionOf, planFile, problemLines, testContext, type CaseFile } from '../../harness/cases/leg-slab-cases'

// Heat and crew of the same inputs come again and again here: one memo for all.
const ctx = { ...testContext(), memo: createMemo(5_000) }

function planOf(file: CaseFile, decision?: string, value?: unknown): Plan {
  const overrules = decision === undefined ? [] : [{ decision, value, reason: 'tried here', by: 'A', at: '2026-01-10T08:00:00Z' }]
  const { clinicalCase, problems } = readCase({ ...file, overrules })
  const plan = clinicalCase && planCase(clinicalCase, ctx, problems)
  if (!plan) throw new Error('no plan')
  return finishPlan(plan, ctx, clinicalCase.overrules)
}

const nonsense: readonly unknown[] = [
  '',
  '18, 30, 45',
  '12 cm',
  '9'.repeat(400),
  -1e9,
  1e6,
  1e9,
  Number.MAX_VALUE,
  -0.5,
  true,
  [],
  [18, '30'],
  [[18], [30]],
  [45, 30, 18],
  [1e9],
  Array.from({ length: 41 }, (_, index) => index + 1),
  {},
  { value: 12 },
]

/** Nonsense for one decision: what its kind cannot take, or what lies outside its range. */
function nonsenseFor(definition: DecisionDefinition): readonly unknown[] {
  const isTaken: Record<DecisionDefinition['kind'], (value: unknown) => boolean> = {
    number: (value) => value === -0.5 && definition.least <= -0.5,
    whole: () => false,
    list: () => false,
    choice: () => false,
    text: (value) => typeof value === 'string' && value !== '' && value.length <= 120,
    'yes-no': (value) => typeof value === 'boolean',
  }
  const halves = definition.kind === 'whole' ? [definition.least + 0.5] : []
  return [...nonsense, ...halves].filter((value) => !isTaken[definition.kind](value))
}

/** Values that must be taken: both ends of a range, a list of two, every choice. */
function goodFor(definition: DecisionDefinition): readonly unknown[] {
  const { least, greatest } = definition
  return {
    number: [least, greatest],
    whole: [least, greatest],
    list: [[least, greatest]],
    choice: definition.choices(catalogue.items),
    text: ['as written'],
    'yes-no': [true, false],
  }[definition.kind]
}

describe('overrules', () => {
  for (const name of exampleNames) {
    const file = exampleFile(name)
    const technique = techniques.find((one) => one.id === file['technique'])
    const before = planOf(file)

    it(`${name}: nonsense in place of any decision is a problem that names it, and the plan is computed as without it`, () => {
      for (const definition of technique?.decisions ?? []) {
        for (const value of sampleOf(nonsenseFor(definition), 6)) {
          const what = `${definition.id} = ${JSON.stringify(value).slice(0, 60)}`
          const plan = planOf(file, definition.id, value)
          expect(problemLines(plan), what).to.deep.equal([`out-of-range overrules/${definition.id}`])
          expect(planExit(plan) !== 0, what).to.equal(true)
          expect(plan.decisions, what).to.deep.equal(before.decisions)
          expect(plan.materials, what).to.deep.equal(before.materials)
        }
      }
    })

    it(`${name}: every value that a decision declares is taken, and nothing computed from it is no number`, () => {
      for (const definition of technique?.decisions ?? []) {
        const isMade = before.decisions.some((decision) => decision.id === definition.id)
        for (const value of goodFor(definition)) {
          // A cure time is in hours or minutes by its material; each of its ends suits one of the two.
          if (definition.alternative) continue
          const what = `${definition.id} = ${JSON.stringify(value)}`
          const plan = planOf(file, definition.id, value)
          // How wide a slab may be, the limb and the store say: what lies beyond is refused by name, and the computed width stays.
          if (definition.roles?.includes('width-on-trial') || definition.id === 'stirrup-width') {
            const isRefused = problemLines(plan).includes(`out-of-range overrules/${definition.id}`)
            const own = before.decisions.find((decision) => decision.id === definition.id)?.value
            if (isMade) expect(decisionOf(plan, definition.id).value, what).to.equal(isRefused ? own : value)
            continue
          }
          expect(
            problemLines(plan).filter((line) => line.startsWith('out-of-range')),
            what,
          ).to.deep.equal([])
          if (isMade) expect(decisionOf(plan, definition.id).value, what).to.deep.equal(value)
          expect(JSON.stringify([plan.decisions, plan.materials, plan.geometry], noNumber), what).not.to.include('not-a-number')
        }
      }
    })
  }

  const ankle = (): CaseFile => exampleFile('leg-slab')

  it('say the decision, the range and the remedy', () => {
    const [problem] = planOf(ankle(), 'slab-layers', 1e6).problems
    expect(problem?.message).to.equal(
      'The overrule is not usable. Slab layers must be a whole number from 1 to 30 layers, not 1000000: enter a figure in that range. Set it again.',
    )
  })

  it('of a decision that the technique does not make name those that it does', () => {
    const plan = planOf(ankle(), 'cast-layers', 8)
    expect(problemLines(plan)).to.deep.equal(['out-of-range overrules/cast-layers'])
    expect(plan.problems[0]?.message).to.include('slab-layers')
  })

  it('kept from before a range was declared stop counting once one that is usable is set after them', () => {
    const file = ankle()
    const overrule = (value: unknown): object => ({ decision: 'slab-width', value, reason: 'scar', by: 'A', at: '2026-01-10T08:00:00Z' })
    const ended = planFile({ ...file, overrules: [overrule('wide'), overrule(12)] })
    expect(ended.problems).to.deep.equal([])
    expect(decisionOf(ended, 'slab-width').value).to.equal(12)
    const spoiled = planFile({ ...file, overrules: [overrule(12), overrule('wide')] })
    expect(problemLines(spoiled)).to.deep.equal(['out-of-range overrules/slab-width'])
    expect(decisionOf(spoiled, 'slab-width').overruled).to.equal(undefined)
  })

  it('take a size of the case’s own list that the catalogue lacks, and refuse one that neither has', () => {
    const file = exampleFile('walker-boot')
    const own = { technique: 'walker-boot', size: 'boot, own', fits: { 'foot-length': [1, 2] } }
    expect(problemLines(planOf({ ...file, stock: [own] }, 'size', 'boot, own'))).not.to.include('out-of-range overrules/size')
    expect(problemLines(planOf(file, 'size', 'boot, own'))).to.deep.equal(['out-of-range overrules/size'])
  })

  it('of a cure time are held to the range of the unit that its material has', () => {
    const file = exampleFile('leg-slab')
    expect(decisionOf(planOf(file), 'cure-time').unit).to.equal('h')
    expect(problemLines(planOf(file, 'cure-time', 240))).to.deep.equal([])
    expect(problemLines(planOf(file, 'cure-time', 300))).to.deep.equal(['out-of-range overrules/cure-time'])
    const fibreglass = { ...file, options: { ...file.options, material: 'padded-fibreglass' } }
    const plan = planOf(fibreglass, 'cure-time', 300)
    expect(decisionOf(plan, 'cure-time')).to.include({ unit: 'min', value: 300 })
  })
})

function noNumber(_key: string, value: unknown): unknown {
  return typeof value === 'number' && !Number.isFinite(value) ? 'not-a-number' : value
}
