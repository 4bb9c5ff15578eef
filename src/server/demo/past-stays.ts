import { v7 as uuidv7 } from 'uuid'
import { mulberry32 } from '#core/figures/crew/draws'
import type { Side } from '#core/model/vocabulary'
import { findTechnique } from '#core/techniques/registry'
import { unknownInjury, unknownPatient } from '#contract/records/episode'
import { bulkEvent, type BulkEvent, type BulkStay } from '../writing/write-bulk'
import type { Actor } from '../ledger/writing'
import { bothLegs } from './findings'

const firsts = [
  'Merryn',
  'Branok',
  'Senara',
  'Talan',
  'Ysella',
  'Hedra',
  'Massen',
  'Kerensa',
  'Piran',
  'Elowen',
  'Locryn',
  'Tamblyn',
  'Zennor',
  'Austell',
]
const lasts = [
  'Sallow',
  'Crowle',
  'Penhale',
  'Hext',
  'Quick',
  'Tangye',
  'Bolitho',
  'Carne',
  'Dunstall',
  'Eathorne',
  'Fursman',
  'Gluyas',
  'Hocken',
  'Jelbert',
  'Keast',
]
const places = ['Bay 1', 'Bay 2', 'Bay 3', 'Landing bay', 'Plaster room', ...Array.from({ length: 12 }, (_, at) => `Ward A, bed ${at + 1}`)]
const worn = ['leg-slab', 'slab-and-stirrup', 'leg-cast', 'walker-boot', 'hinged-knee-brace', 'frame-traction'] as const
const [minuteMs, hourMs] = [60_000, 3_600_000]

/**
 * Stays that are over, one after the other back in time: a leg held for some hours or days, looked at, and off or home again. The same seed
 * gives the same stays.
 * @param lastMs when the latest of them began; each began `everyMs` before the one after it
 */
export function* pastStays(count: number, { seed, lastMs, everyMs, actors }: PastWorld): Generator<BulkStay> {
  const random = mulberry32(seed)
  const draw = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  for (let index = 0; index < count; index++) {
    const startMs = lastMs - index * everyMs
    const ids = { episodeId: uuidv7({ msecs: startMs }), caseId: uuidv7({ msecs: startMs }) }
    const events = stayEvents(ids, { startMs, index, random, draw, by: draw(actors) })
    yield { ...ids, events: [...events].sort((a, b) => a.atMs - b.atMs) }
  }
}

export interface PastWorld {
  readonly seed: number
  readonly lastMs: number
  readonly everyMs: number
  readonly actors: readonly Actor[]
}

interface Drawing {
  readonly startMs: number
  readonly index: number
  readonly random: () => number
  readonly draw: <T>(list: readonly T[]) => T
  readonly by: Actor
}

function stayEvents(ids: Pick<BulkStay, 'episodeId' | 'caseId'>, { startMs, index, random, draw, by }: Drawing): readonly BulkEvent[] {
  const injuryId = uuidv7({ msecs: startMs })
  const technique = draw(worn)
  const known = findTechnique(technique)
  const side: Side = random() < 0.5 ? 'left' : 'right'
  const ageYears = 6 + Math.floor(random() * 85)
  const onMs = startMs + (20 + random() * 40) * minuteMs
  const hours = 4 + random() * 60
  const looks = 3 + Math.floor(random() * 5)
  const round = (atMs: number, isBaseline: boolean, restPain: number): BulkEvent =>
    bulkEvent('round', { cases: [ids.caseId], isBaseline, outcome: 'done', reason: '', findings: bothLegs(side, { restPain }) }, atMs, by)
  const endMs = onMs + hours * hourMs
  return [
    bulkEvent(
      'episode-opened',
      {
        patientId: uuidv7({ msecs: startMs }),
        place: draw(places),
        zone: 'UTC',
        patient: {
          ...unknownPatient,
          name: `${draw(firsts)} ${draw(lasts)}`,
          isTemporary: false,
          number: `TS-${10_000 + index}`,
          ageYears,
          sex: draw(['female', 'male']),
        },
      },
      startMs,
      by,
    ),
    bulkEvent(
      'injury',
      { injuryId, injury: { ...unknownInjury, region: known?.regions[0] ?? 'ankle', side, pattern: known?.patterns[0] ?? 'other' } },
      startMs + minuteMs,
      by,
    ),
    bulkEvent('case-opened', { episodeId: ids.episodeId, injuryId, technique }, startMs + 2 * minuteMs, by),
    round(startMs + 10 * minuteMs, true, 5),
    bulkEvent('applied', {}, onMs, by),
    ...Array.from({ length: looks }, (_, look) => round(onMs + (0.1 + look) * ((hours * hourMs) / looks), false, Math.max(0, 4 - look))),
    random() < 0.7
      ? bulkEvent(
          'removed',
          { reason: draw(['healed', 'changed for a cast in the clinic', 'not needed']), skin: 'intact', moves: 'as-before' },
          endMs,
          by,
        )
      : bulkEvent('ended', { how: draw(['theatre', 'ward', 'other-hospital'] as const), note: '' }, endMs, by),
  ]
}
