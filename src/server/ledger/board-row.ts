import { toClinicalCase } from '#ward/case/clinical-case'
import { headlineItem } from '#core/standing/headline-item'
import { isCaseAtRisk } from '#core/standing/case-facts'
import { findTechnique } from '#core/techniques/registry'
import { firstAction, isPressing, type Standing } from '#core/model/standing'
import type { Caution } from '#core/model/plan'
import type { BoardRow } from '#contract/api/board'
import { stageOf } from '#ward/owed/case-progress'
import { isHeld, standingOf } from '#ward/standing/standing-of-case'
import { searchWords } from '#ward/rounds/search-words'
import { listOfNames } from '#core/standing/item-names'
import { triedSince } from '#ward/rounds/rounds-tried'
import { isWordOwed } from '#ward/standing/escalation'
import { onSinceAt } from '#ward/case/situation-of-case'
import { hardAtMs } from '#ward/case/opening-run'
import { whoHas } from '#ward/story/who-has'
import { workAhead } from '#ward/owed/work-ahead'
import { runInHand, timersInHand } from '#ward/case/work-in-hand'
import { workOwed } from '#ward/owed/work-owed'
import type { CaseRecord } from '#contract/records/case'
import { patientLabel, type EpisodeRecord } from '#contract/records/episode'

/** Where nothing stands: well as far as it was looked at, looked at in part, or not at all. */
function quietLevel({ rounds }: EpisodeRecord, { notLookedAt }: Standing): BoardRow['level'] {
  if (!rounds.some((round) => round.outcome === 'done')) return null
  return notLookedAt.length > 0 ? 'unknown' : 'none'
}

/**
 * The Board's line for a case, worked out when something about it changes.
 * @param live cautions of the plan as it was last made; null before it was
 * @param nowMs the server's time
 */
export function boardRowOf(record: CaseRecord, episode: EpisodeRecord, live: readonly Caution[] | null, nowMs: number): BoardRow {
  const technique = findTechnique(record.technique)
  // What is owed follows from the due time that stands beside it, and the Board's own clock.
  const all = standingOf(record, episode, live && { cautions: live }, nowMs)
  const standing = all.items.filter((item) => item.from !== 'task')
  const urgent = standing.filter((item) => item.level === 'urgent')
  const worst = headlineItem(urgent) ?? standing[0]
  const word = all.words.at(-1)
  const tried = triedSince(record, episode)
  const hasLooked = episode.rounds.some((round) => round.outcome === 'done')
  const onSince = onSinceAt(record)
  const first = all.level === 'urgent' ? firstAction(all) : null
  const [next] = workOwed(record, episode, nowMs)
  const isOff = record.removedAt !== null
  const holder = whoHas(record, episode)
  const isStanding = isHeld(record, { items: standing })
  const injury = episode.injuries[record.injuryId]
  const hardAt = isOff ? null : hardAtMs(record)
  const running = runInHand(record, nowMs)
  const timers = timersInHand(record, nowMs)
  const at = (ms: number): string => new Date(ms).toISOString()
  return {
    caseId: record.id,
    episodeId: episode.id,
    patient: patientLabel(episode),
    isTemporaryName: episode.patient.isTemporary,
    place: episode.place,
    technique: record.technique,
    techniqueName: technique?.name ?? record.technique,
    region: injury?.region ?? null,
    side: injury?.side ?? null,
    stage: stageOf(record, episode),
    level: worst?.level ?? quietLevel(episode, all),
    headline: worst ? null : all.headline,
    finding: worst?.text ?? null,
    ...(first ? { first: first.text } : {}),
    ...(word
      ? { said: { by: word.by, at: at(word.atMs), text: word.text, comesAt: word.comesAtMs === null ? null : at(word.comesAtMs) } }
      : {}),
    ...(onSince && !isOff ? { onSince } : {}),
    ...(isWordOwed(record, episode) ? { owesWord: true as const } : {}),
    standingCount: standing.filter(isPressing).length,
    sinceAt: worst ? at(worst.sinceMs) : null,
    settledUntilAt: worst?.settled ? at(worst.settled.untilMs) : null,
    answer: all.call && {
      sinceAt: at(all.call.sinceMs),
      by: all.call.answered?.to ?? null,
      at: all.call.answered ? at(all.call.answered.atMs) : null,
    },
    nextDueAt: next && (record.ended || !isOff || isStanding) ? at(next.dueAt) : null,
    graceMin: next?.graceMin ?? 0,
    nextWhat: next?.name ?? null,
    ...(next ? { nextId: next.id } : {}),
    ...(tried.length > 0 ? { tried } : {}),
    ...(hasLooked && all.notLookedAt.length > 0 ? { leftOpen: listOfNames(all.notLookedAt.map((one) => one.id)) } : {}),
    openedAt: record.openedAt,
    ...(record.openedUpAt ? { castOpenedAt: record.openedUpAt } : {}),
    ...(record.ended ? { ended: { how: record.ended.how, at: record.ended.at } } : {}),
    ...(record.removedAt ? { offAt: record.removedAt } : {}),
    ...(hardAt === null ? {} : { wetUntilAt: at(hardAt) }),
    ...(record.found ? { foundOn: true as const } : {}),
    ...(running ? { running } : {}),
    ...(timers.length > 0 ? { timers } : {}),
    ...(holder ? { takenOverBy: holder.by } : {}),
    ...begunWithout(episode),
    ...(isCaseAtRisk(toClinicalCase(record, episode)) ? { isAtRisk: true as const } : {}),
    ...(episode.confidential ? { isConfidential: true as const } : {}),
    ahead: (record.ended || !isOff || isStanding) && record.appliedAt ? workAhead(record, episode, nowMs) : [],
    isOff,
    // Whoever went home stays until the call of the next day; whoever is gone leaves at once.
    isOnBoard: record.ended ? next !== undefined : !isOff || isStanding,
    number: episode.patient.number,
    search: searchWords(record, episode),
    asOf: at(nowMs),
    live,
  }
}

function begunWithout({ unattributed }: EpisodeRecord): Pick<BoardRow, 'unattributed'> {
  if (!unattributed || unattributed.letGoAt !== undefined) return {}
  const { actor, name, claimed } = unattributed
  return { unattributed: { actor, name, ...(claimed ? { claimed: { by: claimed.by, at: claimed.at } } : {}) } }
}
