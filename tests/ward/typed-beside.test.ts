import { expect } from 'chai'
import { newWard } from '#contract/records/ward'
import { pageDue } from '#ward/standing/escalation'
import { handOverOf } from '#ward/story/hand-over'
import { standingOf } from '#ward/standing/standing-of-case'
import { anyTroubles } from '#core/techniques/shared/any-troubles'
import { foldStay } from '../harness/cases/fold-stay'

const { event, caseAfter, stay, ms } = foldStay({ place: 'Ward A, bed 2' })
const trouble = (label: string, troubleId: string, atMin: number) =>
  event('trouble', { runId: null, stepId: null, troubleId, label, note: '' }, atMin)

describe('words that were typed beside a trouble', () => {
  it('stand beside it, the last of them, also in the hand-over', () => {
    const record = caseAfter(
      trouble('Something else', 'other', 10),
      event('note', { text: 'Something else: the rail gave way' }, 11),
      event('note', { text: 'Something else: rail mended, bed changed' }, 12),
      event('note', { text: 'Toes warm' }, 13),
    )
    const item = standingOf(record, stay, null, ms(20)).items.find(({ from }) => from === 'trouble')
    expect(item).to.include({ text: 'Something else', typed: 'rail mended, bed changed' })
    const told = handOverOf(record, stay, ms(20), null).stands.map(({ text }) => text)
    expect(told).to.include('Something else: “rail mended, bed changed”')
  })
  it('are those of this time, not of the same trouble before it, and go on no page', () => {
    const wrong = 'Wrong side, wrong patient or wrong part'
    const earlier = caseAfter(event('note', { text: 'Something else: of last week' }, 5), trouble('Something else', 'other', 10))
    expect(standingOf(earlier, stay, null, ms(20)).items.find(({ from }) => from === 'trouble')).to.not.have.property('typed')
    const urgent = caseAfter(trouble('Pulse lost, or the limb cold and pale', 'lost-pulse', 10), trouble(wrong, 'wrong-side', 11))
    expect(pageDue(caseAfter(), stay, newWard, ms(12))).to.equal(null)
    expect(pageDue(urgent, stay, newWard, ms(12))?.text ?? '').to.not.include('“')
  })
  it('what any technique can meet asks for something, and stands until a word ends it', () => {
    for (const { id, label, level, actions, item: endedByLook } of anyTroubles) {
      expect(actions.length, id).to.be.greaterThan(1)
      const item = standingOf(caseAfter(trouble(label, id, 10)), stay, null, ms(12)).items.find(({ from }) => from === 'trouble')
      if (id === 'wrong-side' || endedByLook) continue
      expect(item, id).to.include({ level, text: label, isEndedByWord: true })
    }
  })
})
