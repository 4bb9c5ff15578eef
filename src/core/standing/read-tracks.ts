import { againMinutes, type ActionId } from '../model/action'
import type { Danger } from '../model/danger'
import { levels, worse, type Level } from '../model/finding'
import type { Watched } from '../model/observation'
import { feelingLevelOf } from '../rounds/look-at-block'
import type { PartId } from '../rounds/look'
import { dangerOf } from './danger-of'
import type { StandingFinding } from './standing-finding'
import type { Track } from './track'
import { reviewActions, whatNow, type Situation } from './what-now'

// What tracks say when they are read: which findings stand, at what level, and what is done about the worst.

/** Everything above none, and what is not known, worst first; two warnings on one part are a review. */
export function findingsOn(tracks: readonly Track[], nowMin: number, watched: Watched): readonly StandingFinding[] {
  const all = tracks.filter((track) => track.level !== 'none' || track.isUnknown)
  const warnings = warningsOf(all)
  return all
    .map((track): StandingFinding => {
      const isSettled = track.settled !== null && track.settled.untilMin > nowMin
      return {
        id: track.id,
        part: track.part,
        item: track.item,
        level: shownLevel(track, warnings),
        danger: dangerOfTrack(track, watched),
        state: track.isInReview ? 'review' : isSettled ? 'settled' : track.isUnknown ? 'unknown' : 'open',
        settledUntilMin: isSettled ? (track.settled?.untilMin ?? null) : null,
        text: textOf(track),
        ...feelingOf(track),
        ...(isAsAtFirst(track) ? { isAsAtFirst: true } : {}),
        code: track.last.code,
        sinceMin: track.sinceMin ?? track.lookedAtMin,
        alarmSinceMin: track.settled && !isSettled ? Math.max(track.settled.untilMin, track.alarmSinceMin ?? 0) : track.alarmSinceMin,
        lookedAtMin: track.lookedAtMin,
        quietAtMin: track.quietAtMin,
      }
    })
    .sort((a, b) => levels.indexOf(b.level) - levels.indexOf(a.level) || a.id.localeCompare(b.id))
}

function isWarning(track: Track): boolean {
  return track.level === 'warn' && !track.isUnknown
}

/** How many warnings stand on each part. */
function warningsOf(tracks: readonly Track[]): ReadonlyMap<PartId, number> {
  const warnings = new Map<PartId, number>()
  for (const one of tracks) if (isWarning(one)) warnings.set(one.part, (warnings.get(one.part) ?? 0) + 1)
  return warnings
}

function shownLevel(track: Track, warnings: ReadonlyMap<PartId, number>): Level {
  return isWarning(track) && (warnings.get(track.part) ?? 0) > 1 ? 'review' : track.level
}

/** The worst level that tracks show. */
export function worstLevel(tracks: readonly Track[]): Level {
  const warnings = warningsOf(tracks)
  return tracks.reduce<Level>((worst, one) => worse(worst, shownLevel(one, warnings)), 'none')
}

/** The danger of an item, by the look that raised its alarm. */
export function dangerOfTrack({ item, alarm }: Track, watched: Watched): Danger {
  const isBeforeAnalgesia = item === 'restPain' && alarm.code === 'severe-pain' && !alarm.isNeverKnown
  return alarm.danger ?? dangerOf({ item, code: alarm.code, isLow: alarm.chain === 'low', watched, isBeforeAnalgesia })
}

/** Whether an item was found at the first look of all and is no worse than the best that was seen since. */
function isAsAtFirst({ first, last, best }: Track): boolean {
  return first !== null && first.severity > 0 && last.cannot === null && last.severity <= best && last.chain === first.chain
}

function feelingOf({ last }: Track): Pick<StandingFinding, 'feelingLevel'> {
  const feelingLevel = feelingLevelOf(last)
  return feelingLevel ? { feelingLevel } : {}
}

/** What was found: where it stands although the last look was better, what raised it and what was found since. */
function textOf({ alarm, last, level, isInReview }: Track): string {
  const isEased = alarm !== last && (level === 'urgent' || isInReview) && last.cannot === null
  return isEased ? `${alarm.text}; last look: ${last.text.charAt(0).toLowerCase()}${last.text.slice(1)}` : last.text
}

/** What is to be done about the worst that stands after a round. */
export function actionsAfter(tracks: readonly Track[], level: Level, situation: Situation, watched: Watched): readonly ActionId[] {
  if (level === 'review') return reviewActions(situation)
  if (level !== 'urgent') return []
  const urgent = tracks.filter((track) => track.level === 'urgent')
  return whatNow(
    urgent.map((track) => ({
      danger: dangerOfTrack(track, watched),
      part: track.part,
      item: track.item,
      isAsAtFirst: isAsAtFirst(track),
    })),
    situation,
  )
}

/** Minutes until the soonest look that actions ask for; a quarter of an hour where none says. */
export function soonestLook(actions: readonly ActionId[]): number {
  const minutes = actions.flatMap((id) => againMinutes[id] ?? [])
  return minutes.length > 0 ? Math.min(...minutes) : 15
}
