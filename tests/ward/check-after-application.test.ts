import { expect } from 'chai'
import type { FoldableEvent } from '#contract/event'
import { foldCase, foldEpisode } from '#contract/events/fold'
import { standingOf } from '#ward/standing/standing-of-case'
import { bothLegs } from '../../src/server/demo/findings'

const start = Date.parse('2026-03-28T10:00:00Z')
const event = (kind: string, body: object, atMin: number): FoldableEvent => ({
  id: `${kind}-${atMin}`,
  kind,
  v: 9,
  body,
  at: new Date(start + 60_000 * atMin).toISOString(),
  actor: 'p1',
  actorName: 'Ada',
})
const patient = {
  name: 'A',
  isTemporary: false,
  born: '',
  number: '',
  ageYears: 40,
  isAgeEstimated: false,
  sex: '',
  heightCm: 171,
  massKg: 70,
  isMassEstimated: false,
}
const injury = { region: 'ankle', side: 'left', pattern: 'malleolar-fracture', flags: [], swelling: 'none', levelCm: null }
const step = (stepId: string, atMin: number): FoldableEvent =>
  event('step', { runId: 'r1', stepId, outcome: 'done', reason: '', device: 'd1' }, atMin)

/** What stands a minute after the application at minute 12, with a round at the given minute. */
function itemsWith(steps: readonly FoldableEvent[], roundAtMin: number): readonly string[] {
  const stay = [
    event('episode-opened', { patientId: 'p', place: 'Bay 1', zone: 'Etc/UTC', patient }, 0),
    event('injury', { injuryId: 'i1', injury }, 0),
    event('round', { cases: ['c1'], isBaseline: false, outcome: 'done', reason: '', findings: bothLegs('left', {}) }, roundAtMin),
  ].reduce((before: Parameters<typeof foldEpisode>[0], one) => foldEpisode(before, 'e1', one), null)
  const record = [
    event('case-opened', { episodeId: 'e1', injuryId: 'i1', technique: 'leg-slab' }, 0),
    event('run-started', { runId: 'r1' }, 1),
    ...steps,
    event('applied', {}, 12),
  ].reduce((before: Parameters<typeof foldCase>[0], one) => foldCase(before, 'c1', one), null)
  return standingOf(record!, stay!, null, start + 13 * 60_000).items.map((item) => item.id)
}

describe('the check after application', () => {
  const run = [step('bandage', 8), step('after-check', 11)]

  it('counts although it was recorded in the run, before the device counts as applied', () => {
    expect(itemsWith(run, 10)).not.to.include('device/not-looked-at')
  })

  it('counts where a step comes after it', () => {
    expect(itemsWith([...run, step('release', 11.5)], 10)).not.to.include('device/not-looked-at')
  })

  it('is not one from before the last thing that was done', () => {
    expect(itemsWith(run, 7)).to.include('device/not-looked-at')
  })

  it('is owed where the run never asked for it, until somebody looks', () => {
    expect(itemsWith([step('bandage', 8)], 10)).to.include('device/not-looked-at')
    expect(itemsWith([step('bandage', 8)], 12.5)).not.to.include('device/not-looked-at')
  })
})
