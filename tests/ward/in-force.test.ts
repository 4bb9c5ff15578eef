import { expect } from 'chai'
import { foldCase } from '#contract/events/fold'
import { isOfSubstance } from '#core/planner/compare-plans'
import { markOfChange, waitingChange } from '#core/techniques/waiting-change'
import type { CaseRecord } from '#contract/records/case'
import { changeWaiting, changeWords, isChangeWaiting, planInForce, planOfRun } from '#ward/case/plan-in-force'
import { withOccasions } from '#ward/case/occasions'
import type { Caution, Plan } from '#core/model/plan'
import { adjustmentPlan } from '#core/runs/adjustment-plan'
import { changedExample, exampleOf } from '../harness/cases/example-cases'
import { planFile } from '../harness/cases/leg-slab-cases'

const accepted = planFile(exampleOf('leg-slab'))
const swollen = planFile(
  changedExample('leg-slab', (file) => {
    file.injury['swelling'] = 'marked'
    file.injury['flags'] = ['fresh']
  }),
)
const event = (kind: string, body: object, at = '2026-01-10T09:00:00Z') => ({
  id: `e-${kind}-${at}`,
  kind,
  v: 9,
  body,
  at,
  actorName: 'Ada',
})
const fold = (record: CaseRecord | null, ...events: ReturnType<typeof event>[]): CaseRecord =>
  events.reduce<CaseRecord | null>((now, one) => foldCase(now, 'c1', one as Parameters<typeof foldCase>[2]), record) as CaseRecord
const opened = fold(null, event('case-opened', { episodeId: 'e1', injuryId: 'i1', technique: 'leg-slab' }, '2026-01-10T08:00:00Z'))
/** Nothing about the patient changed. */
const stay = {}
const taken = fold(opened, event('plan', { plan: accepted }))

describe('the plan in force', () => {
  it('is the accepted one, whatever would be planned now', () => {
    expect(planInForce(opened, swollen)).to.equal(swollen)
    expect(planInForce(taken, swollen).decisions).to.deep.equal(accepted.decisions)
  })

  it('is what a run began with where nothing is accepted; an opening keeps its own', () => {
    const begun = fold(opened, event('run-started', { runId: 'r1', plan: accepted, withoutPlan: 'bleeding' }))
    expect(planInForce(begun, swollen).decisions).to.deep.equal(accepted.decisions)
    const opening = fold(taken, event('run-started', { runId: 'r2', technique: 'cast-opening', plan: swollen }))
    expect(planOfRun(opening, opening.runs[0], accepted).decisions).to.deep.equal(swollen.decisions)
    expect(planOfRun(taken, undefined, swollen).decisions).to.deep.equal(accepted.decisions)
  })

  it('has a change waiting when another differs in substance, and says it before → after', () => {
    expect(changeWaiting(taken, stay, accepted)).to.equal(null)
    expect(changeWaiting(opened, stay, swollen)).to.equal(null)
    const waiting = changeWaiting(taken, stay, swollen)
    expect(waiting).not.to.equal(null)
    expect(changeWords(waiting!.changes).some((line) => line.includes(' → ') || line.startsWith('New: '))).to.equal(true)
  })

  it('no longer asks about a change that was not taken, until it is another one or another plan is accepted', () => {
    const { mark } = changeWaiting(taken, stay, swollen)!
    const kept = fold(taken, event('plan-kept', { change: mark, words: [], reason: 'going down' }, '2026-01-10T09:10:00Z'))
    expect(changeWaiting(kept, stay, swollen)).to.equal(null)
    const again = fold(kept, event('plan', { plan: accepted }, '2026-01-10T09:20:00Z'))
    expect(changeWaiting(again, stay, swollen)).not.to.equal(null)
  })

  it('is news and asks nothing where only the product is newer, unless it brings a stop or the case changed as well', () => {
    const older = fold(opened, event('plan', { plan: { ...accepted, versions: { ...accepted.versions, core: '0.0.9' } } }))
    const reworded: Plan = { ...accepted, materials: accepted.materials.slice(1) }
    expect(changeWaiting(older, stay, reworded)?.isNews).to.equal(true)
    expect(isChangeWaiting(older, stay, reworded)).to.equal(false)
    expect(isChangeWaiting(taken, stay, reworded), 'the same product').to.equal(true)
    const stop: Caution = { code: 'cord-sign', level: 'stop', text: 'A new stop.', why: '', decisions: [], steps: [] }
    expect(isChangeWaiting(older, stay, { ...reworded, cautions: [...accepted.cautions, stop] })).to.equal(true)
    const remeasured = fold(older, event('reading', { id: 'calf-girth', value: 40, unit: 'cm' }, '2026-01-10T09:30:00Z'))
    expect(isChangeWaiting(remeasured, stay, reworded)).to.equal(true)
    expect(isChangeWaiting(older, { factsAt: '2026-01-10T09:30:00Z' }, reworded)).to.equal(true)
    // A reading from before that an outbox brings afterwards is heard of after it.
    const late = {
      ...event('reading', { id: 'calf-girth', value: 40, unit: 'cm' }, '2026-01-10T08:30:00Z'),
      receivedAt: '2026-01-10T09:30:00Z',
    }
    expect(isChangeWaiting(fold(older, late), stay, reworded)).to.equal(true)
  })

  it('ends with a change of side, and is held until identity is checked afresh', () => {
    const changed = fold(taken, event('side-changed', { from: 'LEFT ankle', to: 'RIGHT ankle', reason: 'wrong film' }))
    expect(changed.accepted).to.equal(null)
    expect(changed.sideChange).to.include({ isOn: false, checked: null })
    expect(fold(changed, event('identity-checked', { words: 'RIGHT ankle' })).sideChange?.checked?.by).to.equal('Ada')
  })
})

describe('a difference of substance', () => {
  const moved = (change: (plan: Plan) => Partial<Plan>): ReturnType<typeof waitingChange> =>
    waitingChange(accepted, { ...accepted, ...change(accepted) })
  const width = accepted.decisions.find((decision) => typeof decision.value === 'number' && decision.unit === 'cm')!
  const withWidth = (by: number) =>
    moved((plan) => ({
      decisions: plan.decisions.map((decision) =>
        decision.id === width.id
          ? { ...decision, value: Number(decision.value) + by, display: `${Number(decision.value) + by} cm` }
          : decision,
      ),
    }))

  it('begins at the declared step of a figure', () => {
    expect(withWidth(0.4)).to.equal(null)
    expect(withWidth(0.5)?.decisions).to.have.length(1)
  })

  it('is a step added, gone, moved or reworded, not another figure in its words', () => {
    const { steps } = accepted.procedure
    const [first, second, ...rest] = steps
    const reordered = { procedure: { steps: [second!, first!, ...rest] } }
    expect(moved(() => reordered)?.stepsMoved).to.have.length(2)
    expect(moved(() => ({ procedure: { steps: steps.slice(1) } }))?.stepsGone).to.have.length(1)
    const words = (from: string) =>
      moved(() => ({ procedure: { steps: steps.map((step) => (step.id === first!.id ? { ...step, text: from } : step)) } }))
    expect(words(`${first!.text} Twice.`)?.stepsReworded).to.have.length(1)
  })

  it('is a caution added or raised, never one that is gone', () => {
    const stop = { level: 'stop' as const, code: 'x', text: 'X', why: '', decisions: [], steps: [] }
    expect(moved((plan) => ({ cautions: [...plan.cautions, stop] }))?.cautionsNew).to.deep.equal(['X'])
    expect(waitingChange({ ...accepted, cautions: [stop] }, { ...accepted, cautions: [] })).to.equal(null)
    expect(
      waitingChange({ ...accepted, cautions: [{ ...stop, level: 'caution' }] }, { ...accepted, cautions: [stop] })?.cautionsRaised,
    ).to.deep.equal(['X'])
    const aside = { ...stop, overruled: { reason: 'r', by: 'b', at: '' } }
    expect(waitingChange({ ...accepted, cautions: [aside] }, { ...accepted, cautions: [stop] })?.cautionsRaised).to.deep.equal(['X'])
  })

  it('has one mark for one change', () => {
    const a = waitingChange(accepted, swollen)!
    expect(isOfSubstance(a)).to.equal(true)
    expect(markOfChange(a))
      .to.equal(markOfChange(JSON.parse(JSON.stringify(a)) as typeof a))
      .and.to.match(/^[0-9a-f]{8}$/)
  })

  it('on a device that is on is read aloud, done and checked', () => {
    const steps = adjustmentPlan(accepted, swollen, waitingChange(accepted, swollen)!).procedure.steps
    expect([steps[0]?.id, steps.at(-1)?.id]).to.deep.equal(['say-change', 'after-check'])
    expect(steps[0]).to.deep.include({ minutes: [1, 1, 2], holds: null, after: [] })
    const wider = {
      ...accepted,
      decisions: accepted.decisions.map((decision) =>
        decision.id === width.id ? { ...decision, value: Number(decision.value) + 3, display: 'wider' } : decision,
      ),
    }
    expect(adjustmentPlan(accepted, wider, waitingChange(accepted, wider)!).procedure.steps[0]?.text).to.include('→ wider')
  })
})

describe('occasions of readings', () => {
  const reading = (at: string, change = {}) => ({
    id: 'calf-girth',
    side: 'left' as const,
    value: 38,
    unit: 'cm' as const,
    at,
    key: at,
    ...change,
  })
  const occasionsOf = (
    readings: ReturnType<typeof reading>[],
    more: { appliedAt?: string; changes?: { what: string; at: string; by: string }[] } = {},
  ) => withOccasions({ appliedAt: null, ...more, measurements: readings }).map((occasion) => occasion.occasion)

  it('end two hours after the last reading of that measurement', () => {
    const at = ['08:00', '09:50', '11:49', '14:00'].map((time) => reading(`2026-01-10T${time}:00Z`))
    expect(occasionsOf(at)).to.deep.equal(['occasion-1', 'occasion-1', 'occasion-1', 'occasion-2'])
  })
  it('end with the application and with a change', () => {
    const at = ['08:00', '08:20', '08:40'].map((time) => reading(`2026-01-10T${time}:00Z`))
    expect(occasionsOf(at, { appliedAt: '2026-01-10T08:10:00Z' })).to.deep.equal(['occasion-1', 'occasion-2', 'occasion-2'])
    const changes = [{ what: 'trimmed', at: '2026-01-10T08:30:00Z', by: 'Ada' }]
    expect(occasionsOf(at, { changes })).to.deep.equal(['occasion-1', 'occasion-1', 'occasion-2'])
  })
  it('leave a named one as it is, and each side to itself', () => {
    const named = reading('2026-01-10T12:00:00Z', { occasion: 'clinic' })
    expect(occasionsOf([reading('2026-01-10T08:00:00Z'), named])).to.deep.equal(['occasion-1', 'clinic'])
    expect(occasionsOf([reading('2026-01-10T08:00:00Z'), reading('2026-01-10T12:00:00Z', { side: 'right' })])).to.deep.equal([
      'occasion-1',
      'occasion-1',
    ])
  })
})
