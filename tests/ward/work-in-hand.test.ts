import { expect } from 'chai'
import type { FoldableEvent } from '#contract/event'
import { runInHand, timersInHand } from '#ward/case/work-in-hand'
import { planFile } from '../harness/cases/leg-slab-cases'
import { exampleOf } from '../harness/cases/example-cases'
import { foldStay } from '../harness/cases/fold-stay'

const plan = planFile(exampleOf('leg-slab'))
const steps = plan.procedure.steps.filter((step) => !step.optional)

describe('what others see of work in hand', () => {
  const { caseAfter: onCase, event, ms } = foldStay()
  /** The same case before anything was on. */
  const caseAfter = (...events: readonly FoldableEvent[]) => ({ ...onCase(...events), appliedAt: null })
  const begun = (...more: readonly (readonly [kind: string, body: object, atMin: number])[]) =>
    caseAfter(
      event('plan', { plan }, 1),
      event('run-started', { runId: 'r1' }, 2),
      ...more.map(([kind, body, atMin]) => event(kind, body, atMin)),
    )
  const step = (id: string, outcome: string, atMin: number) => ['step', { runId: 'r1', stepId: id, outcome, reason: '' }, atMin] as const

  it('is the run that was begun, how far it is, and who drives it', () => {
    const first = steps[0]?.id ?? ''
    expect(runInHand(caseAfter(event('plan', { plan }, 1)), ms(2))).to.equal(null)
    expect(runInHand(begun(step(first, 'done', 3)), ms(4))).to.deep.equal({ what: 'Applying', by: 'Ada', done: 1, of: steps.length })
    expect(runInHand(begun(step(first, 'done', 3), step(first, 'undone', 4)), ms(5))?.done).to.equal(0)
  })

  it('is nothing once every step is passed, the device is off, or half a day has gone by', () => {
    const all = steps.map((one, index) => step(one.id, 'done', 3 + index))
    expect(runInHand(begun(...all), ms(60))).to.equal(null)
    expect(runInHand(begun(step('x', 'done', 3)), ms(3 + 12 * 60 + 1))).to.equal(null)
    expect(runInHand(begun(['removed', { reason: 'healed', skin: 'intact', movement: 'free' }, 5]), ms(6))).to.equal(null)
  })

  it('is no application any more once it is on, but a care run by its name', () => {
    expect(runInHand({ ...begun(step('x', 'done', 3)), appliedAt: new Date(ms(4)).toISOString() }, ms(5))).to.equal(null)
    const care = onCase(event('plan', { plan }, 1), event('run-started', { runId: 'r2', care: { taskId: 'care', text: 'Wash.' } }, 2))
    expect(runInHand(care, ms(3))?.what).to.equal('Care')
  })

  it('are the timers that still run, the next first; curing is not among them', () => {
    const timer = (id: string, kind: string, minutes: number) =>
      ['timer', { runId: 'r1', timerId: id, label: id, minutes, kind }, 5] as const
    const record = begun(timer('set', 'set', 8), timer('board', 'limit', 4), timer('cure', 'cure', 1440))
    expect(timersInHand(record, ms(6))).to.deep.equal([
      { label: 'board', kind: 'limit', endsAt: new Date(ms(9)).toISOString() },
      { label: 'set', kind: 'set', endsAt: new Date(ms(13)).toISOString() },
    ])
    expect(timersInHand(record, ms(30))).to.deep.equal([])
  })
})
