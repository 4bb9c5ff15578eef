import { worse, type Level } from '../model/finding'
import { itemId, type Look, type PartId } from '../rounds/look'

/** A named senior's decision on an urgent finding that stays. */
export interface Settlement {
  readonly untilMin: number
  /** How bad it was when it was settled: worse than that alarms at once. */
  readonly severity: number
  readonly by: string
}

/** What is known of one item of one part after the rounds so far. */
export interface Track {
  readonly id: string
  readonly part: PartId
  readonly item: string
  /** As the first round of all found it; null when that round did not look, or could not judge. */
  readonly first: { readonly severity: number; readonly level: Level; readonly chain?: string } | null
  /** The best state seen since the first look: loss is judged against it. */
  readonly best: number
  /** Severities of the last looks that could be judged, oldest first, at most three. */
  readonly trend: readonly number[]
  readonly last: Look
  /** The last look that was urgent, or the last one where none was: it says what danger stands. */
  readonly alarm: Look
  /** What the last look is worth, known or not: what it falls to once it has ended. */
  readonly worth: Level
  /** What stands of it: what it is worth, or more as long as that has not ended. */
  readonly level: Level
  /** It was urgent, was found no longer urgent in a complete round, and waits for its second quiet one. */
  readonly isInReview: boolean
  /** Minute of the first of two quiet rounds; null before it. */
  readonly quietAtMin: number | null
  readonly isTold: boolean
  readonly settled: Settlement | null
  /** The last look could not be made: no round with it is quiet. */
  readonly isUnjudged: boolean
  /** It was quiet before it could not be assessed, so what stands of it is that nobody knows. */
  readonly isUnknown: boolean
  /** The look that made it urgent, as long as that has not ended: what was done or said before it answers nothing. */
  readonly alarmSinceMin: number | null
  /** The look that raised it from none; null while there is nothing. */
  readonly sinceMin: number | null
  readonly lookedAtMin: number
}

/** What a round around a look has to say. */
export interface RoundFacts {
  readonly atMin: number
  readonly isFirst: boolean
  /** The part is a sound limb that wears nothing. */
  readonly isSound: boolean
  /** Complete for the part of the look. */
  readonly isComplete: boolean
  readonly isAtRisk: boolean
}

/**
 * What a look is worth in the light of the first round and of the best state since: what was a warning from the start and
 * is no worse than the best that was seen is known; what was urgent at first only once a named senior was told, even if it is better since;
 * what has become urgent never.
 * @param isSound the part is a sound limb that wears nothing: its rises are no review
 */
export function worthOf(look: Look, track: Track | undefined, isSound: boolean): Level {
  const worth = isKnownFromStart(look, track) ? 'known' : look.level
  const isRising = track && look.level === 'warn' && !isSound && isWorseningTwice([...track.trend, look.severity])
  return isRising ? worse(worth, 'review') : worth
}

function isKnownFromStart(look: Look, track: Track | undefined): boolean {
  const first = track?.first
  if (!track || !first || look.level === 'none' || look.isNeverKnown) return false
  if (first.severity === 0 || look.severity > track.best || look.chain !== first.chain) return false
  return first.level === 'urgent' ? track.isTold : look.level !== 'urgent'
}

function isWorseningTwice(trend: readonly number[]): boolean {
  const [a, b, c] = trend.slice(-3)
  return a !== undefined && b !== undefined && c !== undefined && a < b && b < c
}

/** A track after one more look at its item. */
export function afterLook(track: Track | undefined, look: Look, facts: RoundFacts): Track {
  if (look.cannot !== null) return afterNoLook(track, look, facts)
  const worth = worthOf(look, track, facts.isSound)
  const wasUrgent = track?.level === 'urgent'
  const hasEased = wasUrgent && worth !== 'urgent'
  const isInReview = worth !== 'urgent' && (track?.isInReview === true || (hasEased && facts.isComplete))
  const level = isInReview ? 'review' : hasEased ? 'urgent' : worth
  const settled = track?.settled ?? null
  return {
    id: itemId(look),
    part: look.part,
    item: look.item,
    first: track
      ? track.first
      : facts.isFirst
        ? { severity: look.severity, level: look.level, ...(look.chain ? { chain: look.chain } : {}) }
        : null,
    best: track && track.trend.length > 0 ? Math.min(track.best, look.severity) : look.severity,
    trend: [...(track?.trend ?? []), look.severity].slice(-3),
    last: look,
    alarm: worth !== 'urgent' && (hasEased || isInReview) ? (track?.alarm ?? look) : look,
    worth,
    level,
    isInReview,
    quietAtMin: isInReview ? (track?.quietAtMin ?? null) : null,
    isTold: track?.isTold ?? false,
    settled: level === 'urgent' && settled && !isBeyond(look, settled) ? settled : null,
    isUnjudged: false,
    isUnknown: false,
    // Worse than what a senior saw is an alarm of its own: what was done before does not answer it.
    alarmSinceMin:
      settled && isBeyond(look, settled) ? facts.atMin : level === 'urgent' || isInReview ? (track?.alarmSinceMin ?? facts.atMin) : null,
    sinceMin: level === 'none' ? null : track && track.level !== 'none' ? track.sinceMin : facts.atMin,
    lookedAtMin: facts.atMin,
  }
}

/** What cannot be assessed keeps its state; where it was quiet it is not known, and warns while the limb is at risk. */
function afterNoLook(track: Track | undefined, look: Look, facts: RoundFacts): Track {
  const { atMin } = facts
  const before = track ?? {
    id: itemId(look),
    part: look.part,
    item: look.item,
    first: null,
    best: 0,
    trend: [],
    worth: 'none' as const,
    level: 'none' as const,
    isInReview: false,
    quietAtMin: null,
    isTold: false,
    settled: null,
    alarmSinceMin: null,
    sinceMin: null,
  }
  const wasQuiet = before.level === 'none' || before.level === 'known' || track?.isUnknown === true
  if (track && !wasQuiet) return { ...track, isUnjudged: true, lookedAtMin: atMin }
  const level = facts.isAtRisk ? 'warn' : before.worth === 'known' ? 'known' : 'none'
  return {
    ...before,
    last: look,
    alarm: look,
    level,
    isUnjudged: true,
    isUnknown: true,
    sinceMin: before.sinceMin ?? atMin,
    lookedAtMin: atMin,
  }
}

/** A track after a named senior was told what the first round found: an alarm that is unchanged since is known from now on. */
export function afterTold(track: Track): Track {
  if (track.first?.level !== 'urgent') return track
  const told = { ...track, isTold: true }
  const isUnchanged = track.last.severity <= track.best && track.last.severity > 0 && track.last.chain === track.first.chain
  const isOpenAlarm = track.last.cannot === null && track.last.level === 'urgent' && !track.last.isNeverKnown
  return isOpenAlarm && isUnchanged ? { ...told, level: 'known', worth: 'known', settled: null, alarmSinceMin: null } : told
}

/** A track after a senior's decision: what is urgent stays so, and is shown as settled until then. */
export function afterDecision(track: Track, by: string, untilMin: number): Track {
  return track.level === 'urgent' ? { ...track, settled: { by, untilMin, severity: track.last.severity } } : track
}

/** Whether a look is worse than what a senior saw when they decided: by any step, of pain by two. */
function isBeyond(look: Look, { severity }: Settlement): boolean {
  return look.item === 'restPain' ? look.severity >= severity + 2 : look.severity > severity
}

/** Whether a track keeps a round from being quiet: something above known that is not itself only waiting to end, or nothing known. */
export function isUnquiet(track: Track): boolean {
  if (track.isUnjudged) return true
  const level = track.isInReview ? track.worth : track.level
  return level !== 'none' && level !== 'known'
}

/** Minutes within which the second quiet round has to follow the first. */
export const quietPairMin = 30

/**
 * A track in review after a complete round of its part: the second quiet one within half an hour ends it, one that is not quiet begins the
 * count anew.
 */
export function afterCompleteRound(track: Track, atMin: number, isQuiet: boolean): Track {
  if (!track.isInReview) return track
  if (!isQuiet) return { ...track, quietAtMin: null }
  if (track.quietAtMin === null || atMin - track.quietAtMin > quietPairMin) return { ...track, quietAtMin: atMin }
  return {
    ...track,
    level: track.worth,
    isInReview: false,
    quietAtMin: null,
    alarmSinceMin: null,
    sinceMin: track.worth === 'none' ? null : track.sinceMin,
  }
}
