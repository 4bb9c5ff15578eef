import { expect } from 'chai'
import type { FoldableEvent } from '#contract/event'
import { newWard } from '#contract/records/ward'
import { correctionsOf } from '#ward/rounds/correction-words'
import { isWordOwed, pageDue } from '#ward/standing/escalation'
import { shiftStory, storyWords } from '#ward/story/shift-story'
import { bothLegs } from '../../src/server/demo/findings'
import { foldStay } from '../harness/cases/fold-stay'

const { event, stayAfter, caseAfter, record, ms } = foldStay({ place: 'Ward A, bed 2' })
const round = (atMin: number, change: object, more: object = {}): FoldableEvent =>
  event('round', { cases: ['c1'], isBaseline: false, outcome: 'done', reason: '', findings: bothLegs('left', change), ...more }, atMin)
const wrong = round(10, { refillS: 6 })
const corrected = round(50, { refillS: 2 }, { corrects: { round: wrong.id, why: 'counted on the wrong toe' } })
const stay = stayAfter(wrong, corrected)
const when = (iso: string): string => iso.slice(11, 16)

describe('a look that was put right', () => {
  it('says what it said before, where it stood, and that the alarm is withdrawn', () => {
    const [line] = shiftStory(record, stay, 0, ms(60)).filter(({ corrects }) => corrects)
    expect(line?.at).to.equal(new Date(ms(50)).toISOString())
    expect(storyWords(line!, when)).to.equal(
      '10:10 corrected: Left leg: capillary refill 2 s, not capillary refill 6 s; what was urgent by it is withdrawn',
    )
  })
  it('says each of two corrections of one look against what came in its place', () => {
    const again = round(55, { refillS: 3 }, { corrects: { round: corrected.id, why: 'counted once more' } })
    const twice = correctionsOf(record, stayAfter(wrong, corrected, again))
    expect(twice.map(({ text }) => text)).to.have.length(2)
    expect(twice[0]?.text).to.include('refill 2 s, not capillary refill 6 s')
    expect(twice[1]?.text).to.include('refill 3 s').and.to.include('not capillary refill 2 s')
  })
  it('is told once to whoever was paged by it, and to nobody where no page had gone out', () => {
    const page = pageDue(record, stayAfter(wrong), newWard, ms(10))
    const paged = caseAfter(event('paged', { pageId: 'a', ...page }, 11))
    expect(isWordOwed(record, stay)).to.equal(false)
    expect(isWordOwed(paged, stay)).to.equal(true)
    const told = pageDue(paged, stay, newWard, ms(51))
    expect(told?.text).to.match(/^Ward A, bed 2: 10:10 corrected: .*refill 2 s, not capillary refill 6 s.*Nothing is urgent now\.$/)
    const after = caseAfter(event('paged', { pageId: 'a', ...page }, 11), event('paged', { pageId: 'b', ...told }, 51))
    expect(pageDue(after, stay, newWard, ms(52))).to.equal(null)
    const isBrought = (...receipts: readonly object[]): boolean =>
      isWordOwed(
        caseAfter(
          event('paged', { pageId: 'a', ...page }, 11),
          event('page-receipt', { pageId: 'a', what: 'delivered', who: '' }, 11),
          event('paged', { pageId: 'b', ...told }, 51),
          ...receipts.map((receipt) => event('page-receipt', { pageId: 'b', who: '', ...receipt }, 52)),
        ),
        stay,
      )
    expect([isBrought(), isBrought({ what: 'delivered' }), isBrought({ what: 'refused' })]).to.deep.equal([true, false, true])
    // One that the pager would not take is sent once more, and not at once.
    const refused = caseAfter(
      event('paged', { pageId: 'a', ...page }, 11),
      event('paged', { pageId: 'b', ...told }, 51),
      event('page-receipt', { pageId: 'b', what: 'refused', who: '' }, 52),
    )
    expect(pageDue(refused, stay, newWard, ms(53))).to.equal(null)
    expect(pageDue(refused, stay, newWard, ms(57))?.text).to.equal(told?.text)
    // The device that corrected it is ahead of the server: told is told.
    const early = caseAfter(event('paged', { pageId: 'a', ...page }, 11), event('paged', { pageId: 'b', ...told }, 49))
    expect(pageDue(early, stay, newWard, ms(49))).to.equal(null)
  })
})
