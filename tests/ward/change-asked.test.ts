import { expect } from 'chai'
import type { CaseRecord } from '#contract/records/case'
import type { RunRecord, StepOutcome } from '#contract/records/run'
import { isChangeAsked, mayEndReplaced } from '#ward/case/change-asked'
import { exampleOf } from '../harness/cases/example-cases'
import { planFile } from '../harness/cases/leg-slab-cases'

const at = '2026-03-27T10:00:00Z'
const plan = planFile(exampleOf('leg-cast'))

/** A new device whose run stands so far. */
function fresh(
  change: Partial<RunRecord> = {},
  outcome: (stepId: string) => StepOutcome | null = () => 'done',
): Pick<CaseRecord, 'accepted' | 'runs'> {
  const steps = plan.procedure.steps.flatMap(({ id }) => {
    const said = outcome(id)
    return said ? [{ stepId: id, outcome: said, reason: '', at, by: 'tess' }] : []
  })
  return { accepted: { plan, at, by: 'ada' }, runs: [{ id: 'r1', startedAt: at, by: 'tess', steps, timers: [], ...change }] }
}

describe('whether a new device ends the old one', () => {
  it('does where whoever says so may decide it, run or none', () => {
    expect(mayEndReplaced({ accepted: null, runs: [] }, ['clinician'])).to.equal(true)
    expect(mayEndReplaced({ accepted: null, runs: [] }, ['trainee'])).to.equal(false)
    expect(mayEndReplaced({ accepted: null, runs: [] }, ['emergency'])).to.equal(false)
  })

  it('does for a trainee at the end of a run under an accepted plan, passed by steps counted; not before', () => {
    expect(mayEndReplaced(fresh(), ['trainee'])).to.equal(true)
    const last = plan.procedure.steps.at(-1)?.id
    expect(
      mayEndReplaced(
        fresh({}, (id) => (id === last ? 'skipped' : 'done')),
        ['trainee'],
      ),
    ).to.equal(true)
    expect(
      mayEndReplaced(
        fresh({}, (id) => (id === last ? null : 'done')),
        ['trainee'],
      ),
    ).to.equal(false)
  })

  it('does not by a run without a plan, on the wrong limb, or of another kind', () => {
    expect(mayEndReplaced(fresh({ withoutPlan: 'nobody was there' }), ['trainee'])).to.equal(false)
    expect(mayEndReplaced(fresh({ wrongSide: { at, by: 'ada' } }), ['trainee'])).to.equal(false)
    expect(mayEndReplaced(fresh({ isAgain: true }), ['trainee'])).to.equal(false)
    expect(mayEndReplaced({ ...fresh(), accepted: null }, ['trainee'])).to.equal(false)
  })

  it('is asked while the new one is on and the old one is not off', () => {
    expect(isChangeAsked({ appliedAt: at, offAt: null, replacementAt: at })).to.equal(true)
    expect(isChangeAsked({ appliedAt: at, offAt: at, replacementAt: at })).to.equal(false)
    expect(isChangeAsked({ appliedAt: at, offAt: null, replacementAt: null })).to.equal(false)
    expect(isChangeAsked({ appliedAt: null, offAt: null, replacementAt: at })).to.equal(false)
  })
})
