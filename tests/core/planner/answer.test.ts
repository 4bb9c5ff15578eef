import { expect } from 'chai'
import { readCase } from '#core/files/read-case'
import { decisionUses } from '#core/model/decision-definition'
import { known, saidOf, sentence } from '#core/planner/answer'
import type { DisplayUnits } from '#core/planner/format-decision'
import { finishPlan } from '#core/techniques/finish-plan'
import { planCase } from '#core/techniques/plan-case'
import { findTechnique, techniques } from '#core/techniques/registry'
import { changedExample, techniqueIds } from '../../harness/cases/example-cases'
import { testContext, type CaseFile } from '../../harness/cases/leg-slab-cases'

function answerOf(technique: string, change: (file: CaseFile) => void = () => undefined, units: DisplayUnits = 'metric'): string | null {
  const { clinicalCase } = readCase(changedExample(technique, change))
  const ctx = testContext()
  const plan = finishPlan(planCase(clinicalCase!, ctx)!, ctx, [])
  return findTechnique(technique)!.answer(saidOf(plan, units))
}

describe('the answer in one sentence', () => {
  it('is made of the decisions: what is cut, of what, how thick, and what is done with it', () => {
    expect(answerOf('leg-slab')).to.equal('Cut 49 cm of the 25 cm plaster, 10 layers; fold 2.5 cm away at the ankle, each side.')
    expect(answerOf('frame-traction')).to.equal('Set the frame splint to 106 cm; pull to relief.')
    expect(answerOf('walker-boot')).to.equal('Take boot 4; raise the other shoe by 1.7 cm.')
  })

  it('comes in the reader’s own units', () => {
    expect(answerOf('pole-traction', undefined, 'inches')).to.equal('Set the pole splint to 39.8 in; pull 7 kg.')
  })

  it('follows the school: no collar where the local policy has none, other stuff where it is chosen', () => {
    expect(answerOf('extrication-collar', (file) => void (file.options['policy'] = 'blocks-and-hands'))).to.match(/^No collar/)
    expect(answerOf('leg-slab', (file) => void (file.options['material'] = 'padded-fibreglass'))).to.include('fibreglass')
    expect(answerOf('leg-cast', (file) => void (file.options['extent'] = 'short'))).to.not.include('knee bent')
  })

  it('follows an overrule', () => {
    const overrule = { decision: 'slab-layers', value: 12, reason: 'heavy', by: 'Ada Finch', at: '2026-01-10T08:00:00Z' }
    expect(answerOf('leg-slab', (file) => void (file['overrules'] = [overrule]))).to.include('12 layers')
  })

  for (const id of techniqueIds) {
    it(`${id}: is a sentence for its example, and holds nothing that is not known`, () => {
      for (const units of ['metric', 'inches'] as const) {
        const answer = answerOf(id, undefined, units)
        expect(answer).to.match(/^[A-Z][^{}]+\.$/)
        expect(answer).to.not.match(/null|undefined|NaN|odds|,\.|;\.| {2}|-[a-z]+-/)
      }
      const bare = answerOf(id, (file) => void (file.measurements = []))
      if (bare !== null) expect(bare).to.match(/^[A-Z].+\.$/)
    })
  }

  it('is not known before the first reading wherever something is cut or sized', () => {
    for (const id of ['leg-slab', 'leg-cast', 'ring-traction', 'trunk-shell', 'walker-boot'])
      expect([id, answerOf(id, (file) => void (file.measurements = []))]).to.deep.equal([id, null])
  })

  it('leaves out what is not known, but never what it turns on', () => {
    expect(sentence(known`Cut ${'5 cm'}`, known`fold ${null}`, false, '')).to.equal('Cut 5 cm.')
    expect(sentence(known`Cut ${null}`, 'fold it')).to.equal(null)
  })

  it('stands beside figures grouped by what they are for, none group taking all', () => {
    for (const { id, decisions } of techniques) {
      const uses = decisions.map((decision) => decision.use ?? 'know')
      for (const use of uses) expect(decisionUses).to.include(use)
      expect(new Set(uses).size, id).to.be.above(1)
    }
  })
})
