import { readDefaults } from '#core/quantities/defaults'
import { taskMinuteDefaults } from '#core/rounds/task-minutes'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { WorkAhead } from '#contract/records/task'
import { caseRounds } from './case-progress'
import { workOwed } from './work-owed'

/** How far a Board's line looks ahead, h: beyond the four that are shown, so that a line an hour old still says enough. */
export const aheadOnBoardH = 6

/** Everything that falls due on a case within the hours ahead, late work too, every one of its rounds; the earliest first. */
export function workAhead(record: CaseRecord, episode: EpisodeRecord, nowMs: number): readonly WorkAhead[] {
  const takes = readDefaults(taskMinuteDefaults, protocolOf(record))
  const untilMs = nowMs + aheadOnBoardH * 3_600_000
  const owed = workOwed(record, episode, nowMs)
  const next = owed.find((work) => work.kind === 'round')
  const later = next
    ? caseRounds(record, episode, nowMs).filter((caseRound) => caseRound.doneAt === null && caseRound.dueAt > next.dueAt)
    : []
  const rounds = later.map((round) => ({ ...round, kind: 'round' as const, name: 'Round' }))
  return [...owed, ...rounds]
    .filter((one) => one.dueAt <= untilMs)
    .sort((a, b) => a.dueAt - b.dueAt)
    .map(({ id, kind, name, dueAt, graceMin }) => ({
      id: kind === 'round' ? `round-${dueAt}` : id,
      name,
      dueAt: new Date(dueAt).toISOString(),
      graceMin,
      // Whoever begins within the grace is in time, however long it takes.
      takesMin: Math.min(takes[kind], 2 * graceMin),
    }))
}
