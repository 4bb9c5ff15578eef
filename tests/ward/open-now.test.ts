import { expect } from 'chai'
import { foldCase } from '#contract/events/fold'
import type { CaseRecord } from '#contract/records/case'
import { isOpeningRun } from '#contract/records/run-kind'
import { caseRounds } from '#ward/owed/case-progress'
import { openNowRun } from '#ward/case/opening-run'
import { pageDue } from '#ward/standing/escalation'
import { newWard } from '#contract/records/ward'
import { standingOf } from '#ward/standing/standing-of-case'
import { bindingOf } from '#ward/standing/stops-on-step'
import { hasStepRole } from '#core/model/step-role'
import { techniques } from '#core/techniques/registry'
import { exampleOf } from '../harness/cases/example-cases'
import { foldStay, type FoldedStay } from '../harness/cases/fold-stay'
import { planFile, testContext } from '../harness/cases/leg-slab-cases'

const worn = (folded: FoldedStay, technique: string): CaseRecord =>
  foldCase(folded.record, 'c1', folded.event('plan', { plan: planFile(exampleOf(technique)) }, 0))
const thigh = { region: 'thigh', side: 'left', pattern: 'femoral-shaft-fracture' } as const

describe('opening at once', () => {
  for (const technique of techniques.filter((one) => !one.opensCasts)) {
    it(`${technique.id}: opens by its own lines, what it holds held first, and nothing prepared before`, () => {
      const { holds } = technique.onUrgent
      const folded = foldStay({ technique: technique.id, ...(holds === 'pull' ? { injury: thigh } : {}) })
      const record = worn(folded, technique.id)
      const run = openNowRun(record, folded.stay, record.accepted!.plan, '2026-03-27T12:00:00Z', testContext())
      expect(run?.isOpenNow).to.equal(true)
      const steps = run?.plan?.procedure.steps ?? []
      expect(steps[0]?.confirm).to.include('and called')
      // The first step that opens or eases comes at once: after the confirmation, and a hand on what is held.
      const opens = steps.findIndex((step) => hasStepRole(step, 'opens', 'eases'))
      expect(opens).to.equal(holds === 'break' ? 1 : 2)
      if (holds !== 'break') expect(steps[1]?.holds?.what).to.equal(holds)
      expect(steps.length).to.be.lessThan(8)
      expect(hasStepRole(steps.at(-1)!, 'check-after')).to.equal(true)
      const words = steps.map((step) => step.text).join(' ')
      expect(words).to.not.match(/raised above|above the chest|lay out|draw the lines/i)
      for (const line of technique.onUrgent.actions) if (!technique.isCast) expect(words).to.include(line)
      if (holds === 'break') expect(words).to.include('heart level, not above')
      // Whatever stands of the plan or the patient, no step of it is held back.
      const begun = foldCase(record, 'c1', folded.event('run-started', { runId: 'r2', ...run }, 30))
      const opening = begun.runs[0]!
      expect(isOpeningRun(opening)).to.equal(true)
      const stop = { level: 'stop', code: 'no-size', text: 'x', why: 'y', decisions: [], steps: steps.map((step) => step.id) } as const
      const standing = standingOf(begun, folded.stay, null, folded.ms(31))
      for (const step of steps)
        expect(
          bindingOf({ record: begun, episode: folded.stay }, opening, run!.plan!, step, [stop as never], standing, folded.ms(31)).stops,
        ).to.deep.equal([])
    })
  }

  const folded = foldStay({ technique: 'leg-cast' })
  const { event, stay, ms } = folded
  const cast = worn(folded, 'leg-cast')
  const runAt = (atMin: number) => openNowRun(cast, stay, cast.accepted!.plan, new Date(ms(atMin)).toISOString(), testContext())

  it('cuts a cast over its whole planned length, foot included, both sides, soft or hard', () => {
    const [soft, hard] = [runAt(10), runAt(300)]
    const cut = (run: typeof soft): string => run?.plan?.procedure.steps[1]?.text ?? ''
    expect(cut(soft)).to.match(/^Still soft: unwrap it/)
    expect(cut(hard)).to.match(/^Both sides with the saw/)
    expect(hard?.plan?.procedure.steps).to.have.length(6)
    const planned = cast.accepted!.plan.geometry.bands
    const top = Math.max(...planned.filter((band) => band.axis === 'leg' && band.kind === 'zone').map((band) => band.toCm))
    const cuts = hard!.plan!.geometry.bands.filter((band) => band.kind === 'cut')
    expect(cuts.map((band) => band.axis).sort()).to.deep.equal(['foot', 'foot', 'leg', 'leg'])
    for (const band of cuts.filter((one) => one.axis === 'leg')) expect([band.fromCm, band.toCm]).to.deep.equal([0, top])
  })

  it('calls by itself, also where no round found anything yet, until somebody has looked', () => {
    const begun = foldCase(cast, 'c1', event('run-started', { runId: 'r2', ...runAt(200) }, 200))
    const standing = standingOf(begun, stay, null, ms(201))
    expect(standing.headline).to.include('being opened at once')
    expect(standing.actions[0]?.id).to.equal('call-and-open')
    expect(pageDue(begun, stay, newWard, ms(201))?.text).to.include('Left leg: being opened at once')
    expect(pageDue(cast, stay, newWard, ms(201))).to.equal(null)
  })

  it('owes looks at 5 and 15 minutes after it is open', () => {
    const begun = foldCase(cast, 'c1', event('run-started', { runId: 'r2', ...runAt(200) }, 200))
    const open = foldCase(begun, 'c1', event('opened', { runId: 'r2' }, 203))
    expect(
      caseRounds(open, stay, ms(204))
        .slice(0, 2)
        .map((caseRound) => [caseRound.id, (caseRound.dueAt - ms(203)) / 60_000]),
    ).to.deep.equal([
      ['opened-5', 5],
      ['round-1', 15],
    ])
    const elective = foldCase(cast, 'c1', event('run-started', { runId: 'r2', technique: 'cast-opening', options: {} }, 200))
    const ids = caseRounds(foldCase(elective, 'c1', event('opened', { runId: 'r2' }, 203)), stay, ms(204)).map((caseRound) => caseRound.id)
    expect(ids).to.not.include('opened-5')
  })
})
