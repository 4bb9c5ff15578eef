import { expect } from 'chai'
import type { CaseAnswer } from '#contract/api/answers'
import { type CaseRecord } from '#contract/records/case'
import { foldCase } from '#contract/events/fold'
import { type EpisodeRecord } from '#contract/records/episode'
import { foldEpisode } from '#contract/events/fold'
import type { EventInput } from '#contract/event'
import { createFolder, mergeAnswers, type KnownHere } from '../../../src/web/sync/fold-waiting'

const caseId = 'case-1'
const episodeId = 'stay-1'
const writer = { actor: 'p', actorName: 'ada' }
const made = (id: string, kind: string, body: object, of: 'case' | 'episode' = 'case'): EventInput => ({
  id,
  stream: { type: of, id: of === 'case' ? caseId : episodeId },
  kind,
  v: 1,
  body,
  at: '2026-01-10T08:00:00Z',
  offsetMs: 0,
})
const opening = made('o', 'case-opened', { episodeId, injuryId: 'i', technique: 'leg-slab' })
const stay = made('s', 'episode-opened', { patientId: 'p', place: 'Bay 1', zone: 'Etc/UTC' }, 'episode')
const run = made('r', 'run-started', { runId: 'run-1' })
const step = (id: string, stepId: string): EventInput => made(id, 'step', { runId: 'run-1', stepId, outcome: 'done', reason: '' })

const recordOf = (events: readonly EventInput[]): CaseRecord =>
  events.reduce<CaseRecord | null>((record, event) => foldCase(record, caseId, { ...event, ...writer }), null) as CaseRecord
const episode: EpisodeRecord = foldEpisode(null, episodeId, { ...stay, ...writer })
const answerOf = (events: readonly EventInput[], episodeVersion = 1): CaseAnswer => ({
  record: recordOf(events),
  version: events.length,
  episode,
  episodeVersion,
  contains: events.map((event) => event.id),
  callees: [],
  hasPager: true,
  now: '2026-01-10T08:00:00Z',
})
const stepsOf = (known: Partial<KnownHere>): readonly string[] =>
  createFolder()
    .fold({ base: null, caseId, episodeId, taken: [], pending: [], ...known }, writer)
    ?.record.runs[0]?.steps.map((one) => one.stepId) ?? []

describe('the case as it stands on this device', () => {
  const base = answerOf([opening, run])

  it('has a case that only this device knows as soon as its stay is known, whatever was folded before', () => {
    const folder = createFolder()
    const pending = [stay, opening, run, step('1', 'position')]
    expect(folder.fold({ base: null, caseId, episodeId: null, taken: [], pending }, writer)).to.equal(null)
    expect(folder.fold({ base: null, caseId, episodeId, taken: [], pending }, writer)?.record.runs[0]?.steps.length).to.equal(1)
  })

  it('has what waits folded in', () => {
    expect(stepsOf({ base, pending: [step('1', 'position'), step('2', 'pad')] })).to.deep.equal(['position', 'pad'])
  })

  it('is the same object once the server has taken what was folded in: nothing is drawn anew', () => {
    const folder = createFolder()
    const waiting = { base, caseId, episodeId, taken: [], pending: [step('1', 'position')] }
    const shown = folder.fold(waiting, writer)
    const after = { ...base, ...folder.afterFirst('1')!, version: base.version + 1, contains: [...base.contains, '1'] }
    expect(folder.fold({ ...waiting, base: after, pending: [] }, writer)).to.equal(shown)
    expect(folder.fold({ ...waiting, base: after, pending: [step('2', 'pad')] }, writer)).to.not.equal(shown)
  })

  it('keeps a taken event until an answer contains it, so that no step comes back for a moment', () => {
    const one = step('1', 'position')
    const taken = [{ event: one, version: 4 }]
    expect(stepsOf({ base, taken }), 'somebody else’s event lies between').to.deep.equal(['position'])
    expect(stepsOf({ base: answerOf([opening, run, made('x', 'note', { text: 'hello' })]), taken })).to.deep.equal(['position'])
    expect(stepsOf({ base: answerOf([opening, run, made('x', 'note', { text: 'hello' }), one]), taken })).to.deep.equal(['position'])
  })

  it('has an event once whose answer was lost on the way', () => {
    const one = step('1', 'position')
    expect(stepsOf({ base: answerOf([opening, run, one]), pending: [one, step('2', 'pad')] })).to.deep.equal(['position', 'pad'])
  })

  it('has an event once that is taken and still waits', () => {
    const one = step('1', 'position')
    expect(stepsOf({ base, taken: [{ event: one, version: 3 }], pending: [one] })).to.deep.equal(['position'])
  })

  it('puts taken events in the order that the server gave them, before what waits', () => {
    const taken = [
      { event: step('2', 'pad'), version: 4 },
      { event: step('1', 'position'), version: 3 },
    ]
    const pending = [step('3', 'wet')].map((input) => ({ ...input, at: '2026-01-10T08:00:01Z' }))
    expect(stepsOf({ base, taken, pending })).to.deep.equal(['position', 'pad', 'wet'])
  })

  it('is there before the server knows it', () => {
    expect(stepsOf({ pending: [stay, opening, run, step('1', 'position')] })).to.deep.equal(['position'])
    expect(createFolder().fold({ base: null, caseId, episodeId, taken: [], pending: [stay] }, writer)).to.equal(null)
  })

  it('never goes back to an older answer that arrives late', () => {
    const newer = { ...answerOf([opening, run, step('1', 'position')]), now: '2026-01-10T08:00:01Z' }
    const older = answerOf([opening, run], 2)
    for (const merged of [mergeAnswers(newer, older), mergeAnswers(older, newer)]) {
      expect([merged.version, merged.episodeVersion]).to.deep.equal([3, 2])
      expect(stepsOf({ base: merged, pending: [step('1', 'position')] })).to.deep.equal(['position'])
    }
  })

  describe('is folded once', () => {
    const known = (changes: Partial<KnownHere>): KnownHere => ({ base, caseId, episodeId, taken: [], pending: [], ...changes })
    const [one, two] = [step('1', 'position'), step('2', 'pad')]

    it('for however many screens ask', () => {
      const folder = createFolder()
      const first = folder.fold(known({ pending: [one] }), writer)
      expect(folder.fold(known({ pending: [one] }), writer)).to.equal(first)
      expect(first?.record.runs[0]?.steps).to.have.length(1)
    })

    it('and not again when more waits, nor when the answer makes it part of what the server said', () => {
      const folder = createFolder()
      const first = folder.fold(known({ pending: [one] }), writer)
      const both = folder.fold(known({ pending: [one, two] }), writer)
      expect(folder.afterFirst('1')).to.equal(first)
      expect(folder.afterFirst('2'), 'another came first').to.equal(null)
      const moved: CaseAnswer = {
        ...base,
        record: first?.record ?? base.record,
        version: base.version + 1,
        contains: [...base.contains, '1'],
      }
      expect(folder.fold(known({ base: moved, taken: [], pending: [two] }), writer)).to.equal(both)
    })

    it('but anew from another answer, for another person, and for another case', () => {
      const folder = createFolder()
      const first = folder.fold(known({ pending: [one] }), writer)
      const other = folder.fold(known({ pending: [one] }), { actor: 'q', actorName: 'Bo' })
      expect(other?.record.runs[0]?.steps[0]?.by).to.equal('Bo')
      const later = answerOf([opening, run, made('x', 'note', { text: 'hello' })])
      const again = folder.fold(known({ base: later, pending: [one] }), writer)
      expect(again?.record.notes).not.to.deep.equal(first?.record.notes)
      expect(folder.fold(known({ base: null, caseId: 'case-2', pending: [one] }), writer)).to.equal(null)
    })
  })

  it('is held at once where the side of its stay changes, and counts on what the server writes with it', () => {
    const injury = { region: 'ankle', side: 'left', pattern: 'malleolar-fracture', flags: [], swelling: 'none', levelCm: null }
    const known = foldEpisode(episode, episodeId, { ...made('i1', 'injury', { injuryId: 'i', injury }, 'episode'), ...writer })
    const begun: CaseAnswer = { ...answerOf([opening, run], 2), episode: known }
    const other = made('i2', 'injury', { injuryId: 'i', injury: { ...injury, side: 'right' }, reason: 'film' }, 'episode')
    const folder = createFolder()
    const here = { base: begun, caseId, episodeId, taken: [], pending: [made('n', 'note', { text: 'first' }), other] }
    const folded = folder.fold(here, writer)
    expect(folded?.record.sideChange).to.include({ to: 'RIGHT ankle, malleolar fracture', by: 'ada' })
    expect(folded?.episode.injuries['i']?.side).to.equal('right')
    expect(folder.saidOfCase()).to.equal(1)
    const after = folder.afterFirst('n')
    folder.fold({ ...here, base: { ...begun, ...after, version: 3 }, pending: [other] }, writer)
    expect(folder.saidOfCase(), 'what the server said already is not counted twice').to.equal(1)
    folder.fold({ ...here, base: begun, pending: [] }, writer)
    expect(folder.saidOfCase()).to.equal(0)
  })
})
