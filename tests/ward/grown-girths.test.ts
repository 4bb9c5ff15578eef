import { expect } from 'chai'
import type { FoldableEvent } from '#contract/event'
import { standingOf } from '#ward/standing/standing-of-case'
import { bothLegs } from '../../src/server/demo/findings'
import { foldStay } from '../harness/cases/fold-stay'

const startAt = '2026-03-27T10:00:00Z'
const folded = foldStay({ startAt, isOn: false })
const { event, ms } = folded

/** A girth on the injured side; each on an occasion of its own. */
function girth(id: string, value: number, atMin: number, side = 'left'): FoldableEvent {
  const reading = { id, side, value, unit: 'cm', tool: 'tape', key: `${id}-${side}-${atMin}`, occasion: `o${atMin}` }
  return event('reading', { ...reading, at: new Date(ms(atMin)).toISOString() }, atMin)
}
const unasked = (atMin: number, change: object = {}): FoldableEvent => {
  const { limbs, ...round } = bothLegs('left', change)
  const findings = { ...round, limbs: limbs.map(({ feeling, movement, restPain, stretchPain, ...seen }) => seen) }
  return event(
    'round',
    { cases: ['c1'], isBaseline: false, outcome: 'done', reason: '', findings: { ...findings, cannotAsk: 'sedated' } },
    atMin,
  )
}
const applied = event('applied', {}, 5)

function grown(readings: readonly FoldableEvent[], rounds: readonly FoldableEvent[] = [unasked(20)]): string {
  const { items } = standingOf(folded.caseAfter(...readings, applied), folded.stayAfter(...rounds), null, ms(60))
  return items
    .filter(({ id }) => id.endsWith('-grown'))
    .map(({ id, level, text }) => `${id} ${level} ${text.split(';')[0]}`)
    .join(' | ')
}

describe('a girth that grew under a device whose patient cannot say whether it hurts', () => {
  it('is a review from 1.5 cm up, and less is not', () => {
    const from = girth('calf-girth', 36, 0)
    expect(grown([from, girth('calf-girth', 37.5, 30)])).to.equal('reading/calf-girth-grown review Calf girth 37.5 cm, was 36.0 cm')
    expect(grown([from, girth('calf-girth', 37.4, 30)])).to.equal('')
  })
  it('is urgent and calls where a second one grew, or a round found a sign', () => {
    const calf = [girth('calf-girth', 36, 0), girth('calf-girth', 38, 30)]
    const ankle = [girth('ankle-girth', 22, 0), girth('ankle-girth', 24, 30)]
    expect(grown([...calf, ...ankle]))
      .to.match(/calf-girth-grown urgent/)
      .and.to.match(/ankle-girth-grown urgent/)
    expect(grown(calf, [unasked(2, { swelling: 'none' }), unasked(20, { swelling: 'mild' })])).to.match(/calf-girth-grown urgent/)
  })
  it('says nothing of who answers, of the other leg, of what was read before it was on, and once it is down again', () => {
    const from = girth('calf-girth', 36, 0)
    const asked = event('round', { cases: ['c1'], isBaseline: false, outcome: 'done', reason: '', findings: bothLegs('left', {}) }, 20)
    expect(grown([from, girth('calf-girth', 39, 30)], [asked])).to.equal('')
    expect(grown([girth('calf-girth', 36, 0, 'right'), girth('calf-girth', 39, 30, 'right')])).to.equal('')
    expect(grown([girth('calf-girth', 34, 0), girth('calf-girth', 38, 3)])).to.equal('')
    expect(grown([from, girth('calf-girth', 39, 30), girth('calf-girth', 36.5, 40)])).to.equal('')
  })
})
