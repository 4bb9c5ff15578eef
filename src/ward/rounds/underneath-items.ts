import type { Danger } from '#core/model/danger'
import { watchedOf } from '#core/model/observation'
import type { OtherItem } from '#core/standing/judge-standing'
import { limbPart } from '#core/rounds/look'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { RunRecord, UnderneathRecord } from '#contract/records/run'
import { injuredPart } from './case-rounds'
import { toClinicalCase } from '../case/clinical-case'
import { kindOfRun } from '#contract/records/run-kind'
import { sideAnswerOf } from '../case/side-state'

/**
 * What was found where something came off and is not well: it stands until a complete round after it.
 * @param isLookedAt whether a complete round came after a moment
 */
export function underneathItems(record: CaseRecord, episode: EpisodeRecord, isLookedAt: (at: string) => boolean): readonly OtherItem[] {
  return record.runs.flatMap((run) =>
    (run.underneath ?? [])
      .filter((underneath, index, all) => !all.slice(index + 1).some((later) => later.stepId === underneath.stepId))
      .filter((underneath) => !isLookedAt(underneath.at))
      .flatMap((underneath) => itemsOf(record, episode, run, underneath)),
  )
}

function itemsOf(record: CaseRecord, episode: EpisodeRecord, run: RunRecord, found: UnderneathRecord): readonly OtherItem[] {
  const part = partUnder(record, episode, run)
  const watched = watchedOf(toClinicalCase(record, episode).injury.region)
  const isColumn = watched === 'neck' || watched === 'spine'
  const make = (id: string, level: 'warn' | 'urgent', danger: Danger, text: string, asItem?: string): OtherItem => ({
    id: `under/${run.id}/${found.stepId}/${id}`,
    from: 'reading',
    level,
    danger,
    text,
    part,
    sinceMs: Date.parse(found.at),
    lookedAtMs: Date.parse(found.at),
    ...(asItem ? { asItem } : {}),
    binds: { stages: [], steps: [] },
    ends: 'A complete round after it.',
    isEndedByWord: false,
  })
  return [
    ...(found.skin === 'broken' ? [make('skin', 'urgent', 'skin', 'Skin broken where it came off')] : []),
    ...(found.skin === 'red' ? [make('skin', 'warn', 'point', 'Skin red where it came off')] : []),
    ...(found.skin === 'not-seen' ? [make('skin', 'warn', 'point', 'Skin not seen where it came off')] : []),
    ...(found.pulse === 'not-felt' ? [make('pulse', 'urgent', 'limb', 'No pulse felt where it came off', 'pulse')] : []),
    ...(found.pulse === 'not-tested' ? [make('pulse', 'warn', 'limb', 'Pulse not felt for where it came off', 'pulse')] : []),
    ...(found.moves === 'less'
      ? [make('moves', 'urgent', isColumn ? 'cord' : 'limb', 'Moves or feels less than before where it came off')]
      : []),
  ]
}

/** The limb that was looked at: the wrong one where it came off that, else the hurt one. */
function partUnder(record: CaseRecord, episode: EpisodeRecord, run: RunRecord): OtherItem['part'] {
  const hurt = injuredPart(record, episode)
  if (kindOfRun(run) !== 'taking-off') return hurt
  const on = sideAnswerOf(record)?.on
  const limb = hurt?.startsWith('arm') ? 'arm' : hurt?.startsWith('leg') ? 'leg' : null
  return limb && (on === 'left' || on === 'right') ? limbPart(limb, on) : null
}
