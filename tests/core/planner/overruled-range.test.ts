import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { createMemo } from '#core/model/plan-context'
import { planExit, type Plan } from '#core/model/plan'
import { finishPlan } from '#core/techniques/finish-plan'
import { planCase } from '#core/techniques/plan-case'
import { techniques } from '#core/techniques/registry'
import { exampleOf } from '../../harness/cases/example-cases'
import { decisionOf, testContext, type CaseFile } from '../../harness/cases/leg-slab-cases'

const ctx = { ...testContext(), memo: createMemo(5_000) }
function planOf(file: CaseFile, decision?: string, value?: number): Plan {
  const overrules = decision === undefined ? [] : [{ decision, value, reason: 'tried here', by: 'A', at: '2026-01-10T08:00:00Z' }]
  const { clinicalCase, problems } = readCase({ ...file, overrules })
  const plan = clinicalCase && planCase(clinicalCase, ctx, problems)
  if (!plan) throw new Error('no plan')
  return finishPlan(plan, ctx, clinicalCase.overrules)
}
const beyond = ({ cautions }: Plan): string =>
  cautions
    .filter(({ code }) => code.startsWith('outside-'))
    .map(({ level, code, decisions }) => `${level} ${code} ${decisions.join()}`)
    .join(' | ')

/** What a figure does at the ends of what may be typed: those that break, wake too early, leave bone bare or burn stop the plan. */
const atLeast: Readonly<Record<string, string>> = {
  'slab-layers': 'stop outside-safe slab-layers',
  'cast-layers': 'stop outside-safe cast-layers',
  'set-time': 'stop outside-safe set-time',
  padding: 'stop outside-safe padding',
  'rolls-lower': 'stop outside-safe rolls-lower',
  'rolls-thigh': 'stop outside-safe rolls-thigh',
}
const atMost: Readonly<Record<string, string>> = {
  'set-time': 'caution outside-usual set-time',
  'peak-skin-temp': 'stop outside-safe peak-skin-temp',
  'rolls-lower': 'stop outside-safe rolls-lower',
  'rolls-thigh': 'stop outside-safe rolls-thigh',
}

describe('a figure set by hand beyond what is safe for this patient', () => {
  for (const technique of techniques) {
    const file = exampleOf(technique.id)
    const made = planOf(file)
    it(`${technique.id}: each end of each figure says what it does, and nothing else does`, () => {
      expect(beyond(made), 'what was computed').to.equal('')
      for (const { id, kind, least, greatest } of technique.decisions) {
        const computed = made.decisions.find((decision) => decision.id === id)
        if ((kind !== 'number' && kind !== 'whole') || !computed || computed.unit === 'strip') continue
        // One roll where one is enough takes nothing away.
        const isSame = computed.value === least || (id === 'padding' && Number(computed.value) <= 2)
        if (!isSame) expect(beyond(planOf(file, id, least)), `${id} ${least}`).to.equal(atLeast[id] ?? '')
        expect(beyond(planOf(file, id, greatest)), `${id} ${greatest}`).to.equal(atMost[id] ?? '')
      }
    })
  }

  const heavy: CaseFile = {
    ...exampleOf('leg-slab'),
    patient: { ...exampleOf('leg-slab').patient, massKg: 98 },
    options: { ...exampleOf('leg-slab').options, material: 'plaster' },
  }
  it('two layers under 98 kg are a stop that names the least and the computed', () => {
    const plan = planOf(heavy, 'slab-layers', 2)
    const stop = plan.cautions.find(({ code }) => code === 'outside-safe')
    expect(stop?.text).to.match(
      /^Slab layers 2 layers: at least \d+ layers is safe here\. Set it again, or take the computed \d+ layers\.$/,
    )
    expect(decisionOf(plan, 'slab-layers').status).to.equal('stop')
    expect(planExit(plan)).to.be.greaterThan(planExit(planOf(heavy)))
  })
  it('the least itself is taken, one fewer is not', () => {
    const least = Number(
      /at least (\d+)/.exec(planOf(heavy, 'slab-layers', 1).cautions.find(({ code }) => code === 'outside-safe')!.text)?.[1],
    )
    expect([beyond(planOf(heavy, 'slab-layers', least)), beyond(planOf(heavy, 'slab-layers', least - 1))]).to.deep.equal([
      '',
      'stop outside-safe slab-layers',
    ])
    expect(least).to.equal(9)
  })
  it('half a minute of setting is a stop; a third more than computed is none', () => {
    const set = Number(decisionOf(planOf(heavy), 'set-time').value)
    expect(beyond(planOf(heavy, 'set-time', 0.5))).to.equal('stop outside-safe set-time')
    expect(beyond(planOf(heavy, 'set-time', Math.round(set * 1.3)))).to.equal('')
  })
})
