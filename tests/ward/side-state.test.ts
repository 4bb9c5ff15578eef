import { expect } from 'chai'
import { foldCase } from '#contract/events/fold'
import type { CaseRecord } from '#contract/records/case'
import { liveTimers } from '#contract/records/run'
import { countingRuns } from '#contract/records/run-kind'
import { handOverOf } from '#ward/story/hand-over'
import { summariseRun } from '#ward/story/run-summary'
import { sideLines } from '#ward/case/side-lines'
import { isOnWrongLimb, sideStateOf } from '#ward/case/side-state'
import { onSinceMs, situationOfCase } from '#ward/case/situation-of-case'
import { standingOf } from '#ward/standing/standing-of-case'
import { takingOffRun } from '#ward/body/taking-off'
import { isInHand } from '#ward/case/work-in-hand'
import { techniques } from '#core/techniques/registry'
import { rolesIn } from '#core/model/step-role'
import { exampleOf } from '../harness/cases/example-cases'
import { foldStay, type FoldedStay } from '../harness/cases/fold-stay'
import { planFile } from '../harness/cases/leg-slab-cases'

const from = 'LEFT ankle, malleolar fracture'
const to = 'RIGHT ankle, malleolar fracture'
const right = { region: 'ankle', side: 'right', pattern: 'malleolar-fracture', flags: [], swelling: 'none', levelCm: null }

/** A run of a technique, its steps done up to one. */
function begun(folded: FoldedStay, technique: string, upTo: string): CaseRecord {
  const plan = planFile(exampleOf(technique))
  const ids = plan.procedure.steps.map((step) => step.id)
  const done = ids.slice(0, ids.indexOf(upTo) + 1)
  return folded.caseAfter(
    folded.event('plan', { plan }, 1),
    folded.event('run-started', { runId: 'r1' }, 2),
    ...done.map((stepId, index) => folded.event('step', { runId: 'r1', stepId, outcome: 'done', reason: '' }, 3 + index / 100)),
  )
}

describe('a changed or doubted side', () => {
  const folded = foldStay({ isOn: false })
  const { event, stay, ms } = folded
  const after = (record: CaseRecord, ...events: readonly ReturnType<typeof event>[]): CaseRecord => foldOn(record, events)
  const changed = (record: CaseRecord): CaseRecord =>
    after(record, event('side-changed', { from, to, reason: 'the film was turned', isOtherLimb: true }, 10))
  const stayRight = folded.stayAfter(event('injury', { injuryId: 'i1', injury: right, reason: 'film' }, 10))

  it('asks nothing about the limb before the patient was touched, and reads aloud again', () => {
    const record = changed(begun(folded, 'leg-slab', 'lay-out'))
    expect(sideStateOf(record, stayRight)).to.equal('read')
    expect(sideStateOf(after(record, event('identity-checked', { words: 'RIGHT ankle' }, 11)), stayRight)).to.equal('settled')
  })

  it('asks which limb it is on from the first touch on; on the wrong one it comes off, and all begins again', () => {
    const wet = changed(begun(folded, 'leg-slab', 'lay'))
    expect(sideStateOf(wet, stayRight)).to.equal('where')
    const standing = standingOf(wet, stayRight, null, ms(10))
    expect(standing.level).to.equal('urgent')
    expect(standing.headline).to.include('which limb it is on')
    const wrong = after(wet, event('side-answered', { on: 'left', hurt: 'right' }, 11))
    expect(sideStateOf(wrong, stayRight)).to.equal('off')
    expect(countingRuns(wrong)).to.deep.equal([])
    expect(isInHand(wrong, wrong.runs[0]!, ms(11))).to.equal(false)
    expect(liveTimers(wrong.runs[0]!, ms(11))).to.deep.equal([])
    // What is on is on the left leg, and warm.
    expect(situationOfCase(wrong, stayRight, ms(11)).on).to.include({ part: 'leg-left', isWarm: true })
    const run = takingOffRun(wrong, stayRight, planFile(exampleOf('leg-slab')))
    const texts = run!.plan!.procedure.steps.map((step) => step.text)
    expect(texts[0]).to.include('It comes off the LEFT leg')
    expect(texts[1]).to.include('still wet: unwind it')
    expect(run!.plan!.procedure.steps.at(-1)?.underneath).to.equal('limb')
    const off = after(
      wrong,
      event('run-started', { runId: 'r2', ...run }, 12),
      event('underneath', { runId: 'r2', stepId: 'under-wrong', skin: 'red', pulse: 'felt', moves: 'as-before' }, 13),
      event('taken-off', { runId: 'r2' }, 14),
    )
    expect(sideStateOf(off, stayRight)).to.equal('read')
    expect(onSinceMs(off)).to.equal(null)
    const red = standingOf(off, stayRight, null, ms(14)).items.find((item) => item.id.startsWith('under/'))
    expect(red).to.include({ part: 'leg-left', level: 'warn', text: 'Skin red where it came off' })
    const read = after(off, event('identity-checked', { words: 'RIGHT ankle' }, 15))
    expect(sideStateOf(read, stayRight)).to.equal('settled')
    // Record, summary and hand-over tell all of it with its times and reason.
    const told = [
      'Side changed: LEFT ankle, malleolar fracture → RIGHT ankle, malleolar fracture. the film was turned',
      'Looked which limb it is on (left; the injured one is the right): on the wrong one: the run ended as wrong side',
      'Where it came off: skin red, pulse felt, movement and feeling as before',
      'Taken off the wrong limb',
      'Identity and side read aloud afresh',
    ]
    expect(sideLines(read).map((sideLine) => sideLine.text)).to.deep.equal(told)
    const summary = summariseRun(read, stayRight, read.runs[0]!, planFile(exampleOf('leg-slab')), ms(20), null)
    expect(summary.sections.find((section) => section.id === 'side')?.lines.map((line) => line.text)).to.deep.equal(told)
    expect(summary.facts.find(([name]) => name === 'Ended')?.[1]).to.include('wrong side, by Ada')
    expect(handOverOf(read, stayRight, ms(20), null).happened.map((line) => line.text)).to.include.members(told)
  })

  it('goes on on the right one, and lets the run stand', () => {
    const wet = changed(begun(folded, 'leg-slab', 'lay'))
    const fine = after(wet, event('side-answered', { on: 'right', hurt: 'right' }, 11))
    expect(sideStateOf(fine, stayRight)).to.equal('read')
    expect(countingRuns(fine)).to.have.length(1)
  })

  it('ends the run where nothing is on yet: what was done on the other limb does not count', () => {
    const touched = changed(begun(folded, 'leg-slab', 'baseline'))
    const nowhere = after(touched, event('side-answered', { on: 'nowhere', hurt: 'right' }, 11))
    expect(sideStateOf(nowhere, stayRight)).to.equal('read')
    expect(countingRuns(nowhere)).to.deep.equal([])
    expect(isOnWrongLimb(nowhere)).to.equal(false)
  })

  it('takes a slip back: the run goes on as it was', () => {
    const wet = changed(begun(folded, 'leg-slab', 'lay'))
    const slip = after(wet, event('side-answered', { on: 'left', hurt: 'right' }, 11), event('side-answer-undone', {}, 11.1))
    expect(sideStateOf(slip, stayRight)).to.equal('where')
    expect(countingRuns(slip).map((run) => run.id)).to.deep.equal(['r1'])
    expect(slip.sideAnswers?.[0]?.undone?.by).to.equal('Ada')
  })

  it('pressed as a trouble holds the run, asks both limbs, and waits for a clinician where the record is wrong', () => {
    const wet = begun(folded, 'leg-slab', 'lay')
    const doubted = after(wet, event('trouble', { runId: 'r1', stepId: 'lay', troubleId: 'wrong-side', label: 'Wrong side', note: '' }, 10))
    expect(sideStateOf(doubted, stay)).to.equal('where')
    // The record names the left, and that is where it is: the left is not hurt.
    const wrong = after(doubted, event('side-answered', { on: 'left', hurt: 'right' }, 11))
    expect(sideStateOf(wrong, stay)).to.equal('off')
    const off = after(wrong, event('run-started', { runId: 'r2', isTakingOff: true }, 12), event('taken-off', { runId: 'r2' }, 13))
    expect(sideStateOf(off, stay)).to.equal('change')
    const put = after(off, event('side-changed', { from, to, reason: 'wrong film', isOtherLimb: true }, 14))
    expect(sideStateOf(put, stayRight)).to.equal('read')
    const read = after(put, event('identity-checked', { words: 'RIGHT ankle' }, 15))
    expect(sideStateOf(read, stayRight)).to.equal('settled')
    expect(read.troubles?.[0]?.ended?.word).to.equal('read aloud afresh')
  })

  it('pressed by mistake is taken back as a slip, and leaves nothing standing', () => {
    const wet = begun(folded, 'leg-slab', 'lay')
    const doubted = after(wet, event('trouble', { runId: 'r1', stepId: 'lay', troubleId: 'lost-pulse', label: 'Pulse lost', note: '' }, 10))
    const id = doubted.troubles?.[0]?.id
    expect(standingOf(doubted, stay, null, ms(10)).level).to.equal('urgent')
    const back = after(doubted, event('trouble-ended', { troubleEvent: id, word: 'pressed by mistake', isSlip: true }, 10.1))
    expect(standingOf(back, stay, null, ms(11)).items.filter((item) => item.level === 'urgent')).to.deep.equal([])
  })

  for (const technique of techniques.filter((one) => !one.opensCasts)) {
    it(`${technique.id}: nothing that holds comes off the wrong part unheld, and the place is looked at`, () => {
      const own = foldStay({ technique: technique.id, isOn: false })
      const plan = planFile(exampleOf(technique.id))
      const first = plan.procedure.steps.find((step) => (rolesIn(technique.roles, step.id) ?? []).includes('lays-on'))
      const last = first ?? plan.procedure.steps.find((step) => step.roles.includes('closes') || step.roles.includes('wraps'))
      const worn = begun(own, technique.id, last!.id)
      const wrong = foldOn(worn, [own.event('side-answered', { on: 'elsewhere', hurt: null }, 11)])
      const steps = takingOffRun(wrong, own.stay, plan)?.plan?.procedure.steps ?? []
      const off = steps.findIndex((step) => step.id === 'off-1')
      expect(off).to.be.greaterThan(0)
      if (technique.onUrgent.holds !== 'break') expect(steps[off - 1]?.holds?.what).to.equal(technique.onUrgent.holds)
      expect(steps.at(-1)?.underneath).to.be.a('string')
    })
  }
})

function foldOn(record: CaseRecord, events: readonly Parameters<typeof foldCase>[2][]): CaseRecord {
  return events.reduce((before, one) => foldCase(before, 'c1', one), record)
}
