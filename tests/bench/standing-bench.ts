import { readCase } from '#core/files/read-case'
import { foldCase, foldEpisode } from '#contract/events/fold'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord, RoundRecord } from '#contract/records/episode'
import { standingOf } from '#ward/standing/standing-of-case'
import { bothLegs } from '../../src/server/demo/findings'
import { ankleCase } from '../harness/cases/leg-slab-cases'
import { percentiles, timeOf, type Figure } from './figure'
import { sized } from './size'

const start = Date.parse('2026-01-10T08:00:00Z')
const rounds = sized(200, 8)

/** What stands about a case with 200 rounds: asked again as time goes on, and for the first time after another round. */
export function benchStanding(): readonly Figure[] {
  if (!readCase(ankleCase()).clinicalCase) throw new Error('the ankle case cannot be read')
  const { record, episode } = longStay()
  const now = start + rounds * 15 * 60_000
  const again = percentiles(
    Array.from({ length: sized(300, 3) }, (_, index) => timeOf(() => standingOf(record, episode, null, now + index))),
  )
  const first = percentiles(Array.from({ length: sized(40, 2) }, () => timeOf(() => standingOf({ ...record }, episode, null, now))))
  let looked = episode
  const another = Array.from({ length: sized(40, 2) }, (_, index) => {
    looked = { ...looked, rounds: [...looked.rounds, roundAt(rounds + index)] }
    const later = now + index * 15 * 60_000
    return timeOf(() => standingOf({ ...record }, looked, null, later))
  })
  return [
    { name: `what stands, ${rounds} rounds, asked again, 95th percentile`, value: again.p95, unit: 'ms', limit: 0.5 },
    { name: `what stands, ${rounds} rounds, after another event, median`, value: first.median, unit: 'ms', limit: 20 },
    { name: `what stands, ${rounds} rounds, after another round, median`, value: percentiles(another).median, unit: 'ms', limit: 20 },
  ]
}

function longStay(): { record: CaseRecord; episode: EpisodeRecord } {
  const event = (kind: string, body: object, minute: number) =>
    ({ id: `${kind}-${minute}`, kind, v: 9, body, at: new Date(start + minute * 60_000).toISOString(), actorName: 'Ada' }) as Parameters<
      typeof foldCase
    >[2]
  const injury = { region: 'ankle', side: 'left', pattern: 'malleolar-fracture', flags: ['fresh'], swelling: 'moderate', levelCm: 8 }
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
  const opened = foldEpisode(null, 'e', event('episode-opened', { patientId: 'p', place: 'Bay 1', zone: 'Etc/UTC', patient }, 0))
  const hurt = foldEpisode(opened, 'e', event('injury', { injuryId: 'i', injury }, 0))
  const record = foldCase(
    foldCase(null, 'c', event('case-opened', { episodeId: 'e', injuryId: 'i', technique: 'leg-slab' }, 0)),
    'c',
    event('applied', {}, 5),
  )
  return { record, episode: { ...hurt, rounds: Array.from({ length: rounds }, (_, index) => roundAt(index)) } }
}

/** A round a quarter of an hour after the one before: quiet, with a warning now and then, and one lost pulse. */
function roundAt(index: number): RoundRecord {
  const findings = bothLegs('left', index % 7 === 3 ? { tight: true, restPain: 5 } : index === 90 ? { pulse: 'absent' } : {})
  return {
    id: `r${index}`,
    at: new Date(start + (index + 1) * 15 * 60_000).toISOString(),
    by: 'Ada',
    cases: ['c'],
    isBaseline: index === 0,
    outcome: 'done',
    reason: '',
    findings,
  }
}
