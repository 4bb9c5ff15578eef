import { expect } from 'chai'
import fc from 'fast-check'
import { foldCase } from '#contract/events/fold'
import type { CaseRecord } from '#contract/records/case'
import { handOverOf } from '#ward/story/hand-over'
import { shiftStory, storyWords } from '#ward/story/shift-story'
import type { Caution } from '#core/model/plan'
import { bothLegs } from '../../src/server/demo/findings'
import { exampleOf } from '../harness/cases/example-cases'
import { foldStay } from '../harness/cases/fold-stay'
import { planFile } from '../harness/cases/leg-slab-cases'
import { isLong, longSeed } from '../harness/long'

/** A night from 22:00: a pulse lost at 03:39, opened at 03:41, felt again at 03:50; asleep at 05:00 and 06:00; one refusal. */
describe('the story of a shift', () => {
  const folded = foldStay({ technique: 'leg-cast', startAt: '2026-03-27T22:00:00Z' })
  const { event, ms } = folded
  const round = (atMin: number, change: object = {}, outcome = 'done', reason = ''): ReturnType<typeof event> =>
    event('round', { findings: bothLegs('left', change), cases: ['c1'], outcome, reason, isBaseline: atMin === 1 }, atMin)
  const stay = folded.stayAfter(
    event('flags', { flags: ['anticoagulated', 'latex-allergy', 'lives-alone'] }, 0),
    round(1, { feeling: { 'deep-peroneal': 'reduced' } }),
    round(90),
    round(339, { pulse: 'absent' }),
    round(350),
    round(420, {}, 'asleep'),
    round(480, {}, 'asleep', 'at risk, not woken'),
    round(500, {}, 'refused', 'wants to be left alone'),
  )
  const record: CaseRecord = [
    event('plan', { plan: planFile(exampleOf('leg-cast')) }, 0),
    event('run-started', { runId: 'r2', technique: 'cast-opening', options: {}, isOpenNow: true }, 340),
    event('opened', { runId: 'r2' }, 341),
    event('plan-kept', { change: 'x', words: ['Crepe 2 → 3'], reason: 'swelling goes down' }, 370),
    event('trouble', { runId: null, stepId: null, troubleId: 'other', label: 'Something else', note: '' }, 380),
  ].reduce((before, one) => foldCase(before, 'c1', one), folded.record)
  const at = (iso: string): string => iso.slice(11, 16)
  const story = shiftStory(record, stay, ms(60), ms(555)).map((line) => `${at(line.at)} ${storyWords(line, at)}`)

  it('says what was lost when and was well last when, and that it came back', () => {
    expect(story).to.include('03:39 Left leg: no pulse felt; well last at 23:30')
    expect(story).to.include('03:50 Well again: left leg pulse')
  })

  it('says when it was well last, not when it was less bad', () => {
    const worse = folded.stayAfter(
      round(1),
      round(60),
      round(120, { feeling: { 'deep-peroneal': 'tingling' } }),
      round(180, { feeling: { 'deep-peroneal': 'none' } }),
    )
    const lost = shiftStory(folded.record, worse, ms(0), ms(200)).find((line) => line.wellAt !== undefined)
    expect(at(lost?.at ?? '')).to.match(/^0[01]:00$/)
    expect(at(lost?.wellAt ?? '')).to.equal('23:00')
  })

  it('never calls well what is better: a pulse that was absent and is weak is weak, and was absent', () => {
    const better = folded.stayAfter(
      round(1),
      round(60, { pulse: 'absent' }),
      round(75, { pulse: 'weak' }),
      round(90, { pulse: 'weak' }),
      round(105),
    )
    const lines = shiftStory(folded.record, better, ms(0), ms(200)).map((line) => `${at(line.at)} ${storyWords(line, at)}`)
    expect(lines.filter((line) => /pulse/.test(line))).to.deep.equal([
      '23:00 Left leg: no pulse felt; well last at 22:01',
      '23:15 Left leg: pulse weak; was no pulse felt at 23:00',
      '23:45 Well again: left leg pulse',
    ])
  })

  it('never calls well what nobody could assess or left out', () => {
    const asleep = { cannotAssess: true, reason: 'dressing over it' }
    const unseen = folded.stayAfter(round(1), round(60, { pulse: 'absent' }), round(75, { pulse: asleep }), round(90, { pulse: undefined }))
    expect(shiftStory(folded.record, unseen, ms(0), ms(200)).some((line) => line.text.startsWith('Well again'))).to.equal(false)
  })

  it('says well again if and only if the later look found it well, over any history', () => {
    const looked = fc.constantFrom('present', 'weak', 'absent', 'cannot', 'left out')
    fc.assert(
      fc.property(fc.array(looked, { minLength: 1, maxLength: 7 }), (pulses) => {
        const rounds = pulses.map((pulse, index) =>
          round(30 * (index + 2), {
            pulse: pulse === 'cannot' ? { cannotAssess: true, reason: 'dressing' } : pulse === 'left out' ? undefined : pulse,
          }),
        )
        const story = shiftStory(folded.record, folded.stayAfter(round(1), ...rounds), ms(0), ms(500))
        const said = story.filter((line) => line.text === 'Well again: left leg pulse').map((line) => Date.parse(line.at))
        let isLost = false
        const wanted = pulses.flatMap((pulse, index) => {
          if (pulse === 'absent') isLost = true
          if (pulse !== 'present' || !isLost) return []
          isLost = false
          return [ms(30 * (index + 2))]
        })
        expect(said).to.deep.equal(wanted)
      }),
      { numRuns: isLong ? 300 : 60, seed: isLong ? longSeed : 51 },
    )
  })

  it('says what was opened, tried, kept in spite and reported, in the order of time', () => {
    expect(story).to.include.members([
      '03:40 Began to open it at once',
      '03:41 Opened at once',
      '04:10 Kept in spite of a change (Crepe 2 → 3): swelling goes down',
      '04:20 Something else',
      '05:00 Round not done, asleep',
      '06:00 Round not done, asleep: at risk, not woken',
      '06:20 Round not done, refused: wants to be left alone',
    ])
    expect(story.map((line) => line.slice(0, 5))).to.deep.equal(
      story.map((line) => line.slice(0, 5)).toSorted((a, b) => night(a) - night(b)),
    )
  })

  it('leaves out what was before it, and a slip', () => {
    expect(shiftStory(record, stay, ms(345), ms(555)).some((line) => line.text.includes('no pulse'))).to.equal(false)
    const slip = foldCase(
      record,
      'c1',
      event('trouble-ended', { troubleEvent: record.troubles?.[0]?.id, word: 'pressed by mistake', isSlip: true }, 381),
    )
    expect(shiftStory(slip, stay, ms(60), ms(555)).some((line) => line.text.startsWith('Something else'))).to.equal(false)
  })

  it('is in the hand-over, with the stops of the plan as it is now, known deficits, thinners and allergies', () => {
    const stop: Caution = { level: 'stop', code: 'pelvis-suspected', text: 'No traction on this leg.', why: 'y', decisions: [], steps: [] }
    const line = handOverOf(record, stay, ms(555), [stop])
    expect(line.stands.map((stand) => stand.text)).to.include('No traction on this leg.')
    expect(line.level).to.equal('stop')
    expect(line.careful).to.deep.equal(['Blood thinners', 'Latex allergy'])
    expect(line.happened.map((one) => one.text)).to.include('Opened at once')
    const before = handOverOf(record, stay, ms(555), null)
    expect(before.stands.map((stand) => stand.text)).to.not.include('No traction on this leg.')
  })

  it('puts what nobody can assess in one line', () => {
    const cannot = { cannotAssess: true, why: 'sedated' }
    const blind = folded.stayAfter(round(1), round(90, { pulse: cannot, refill: cannot, stretchPain: cannot }))
    const line = handOverOf(record, blind, ms(100), null)
    expect(line.unassessed).to.be.greaterThan(1)
    expect(line.stands.filter((stand) => /cannot be assessed|could not/i.test(stand.text))).to.deep.equal([])
    expect(line.happened.map((one) => one.text)).to.include(`Could not be assessed: 3 items`)
  })

  it('begins where somebody took the patient over at the start of this shift', () => {
    const taken = foldCase(record, 'c1', event('taken-over', {}, 345))
    expect(handOverOf(taken, stay, ms(555), null).happened.some((line) => line.text.includes('no pulse'))).to.equal(false)
    // Whoever has just taken over is still being told.
    const fresh = foldCase(record, 'c1', event('taken-over', {}, 550))
    expect(handOverOf(fresh, stay, ms(555), null).happened.some((line) => line.text.includes('no pulse'))).to.equal(true)
  })
})

/** Minutes since the evening: after midnight comes after 22:00. */
function night(clock: string): number {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number)
  return ((hours + 2) % 24) * 60 + minutes
}
