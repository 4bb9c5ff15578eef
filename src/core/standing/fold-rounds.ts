import { hasFlag, type ClinicalCase } from '../model/clinical-case'
import { levels, worse, type Finding } from '../model/finding'
import { blockNames, watchedOf, type LimbFindings, type RoundInput, type Watched } from '../model/observation'
import { atRiskInterval } from '../planner/schedule-rounds'
import { otherSide } from '../model/vocabulary'
import { lookAtBlock } from '../rounds/look-at-block'
import { lookAtLimb } from '../rounds/look-at-limb'
import { itemId, limbPart, sideOfPart, type Before, type Look, type PartId } from '../rounds/look'
import { injuredLimb, isCompleteFor, missingItems } from '../rounds/missing-items'
import { afterCompleteRound, afterDecision, afterLook, afterTold, isUnquiet, worthOf, type RoundFacts, type Track } from './track'
import { actionsAfter, dangerOfTrack, soonestLook, findingsOn, worstLevel } from './read-tracks'
import { isGrave } from './what-now'
import { afterRounds, askedPartOf, withCannotAsk, withUnaskable } from './cannot-ask'
import {
  longestDecisionMin,
  longestGraveMin,
  type CannotAsk,
  type RefusedDecision,
  type Report,
  type RoundVerdict,
  type RoundsInput,
  type FindingsAfterRounds,
} from './standing-finding'

/**
 * What rounds found and what of it stands after each of them: a finding stands until it is ended, by item, limb
 * and side. Rounds of one minute count together; the worse governs. Told and decisions of a round's minute count after it.
 * @param nowMin minute at which the last state is read: decisions that have run out no longer hold
 */
export function findingsAfterRounds(input: RoundsInput, nowMin: number): FindingsAfterRounds {
  return readRounds(foldRounds(input), nowMin)
}

/** Rounds folded as far as they go: one more round is folded onto what was known, and not all of them again. */
export interface FoldedRounds {
  /** What the fold depends on beside the moments: another one begins anew. */
  readonly facts: string
  readonly watched: Watched
  /** What is said to be asked: the injured limb, or the block of the hurt neck or trunk. */
  readonly askedPart: PartId
  readonly acts: readonly Act[]
  readonly moments: readonly Moment[]
  /** Where it stands after the last moment. */
  readonly at: FoldState
  readonly verdicts: readonly RoundVerdict[]
}

interface FoldState {
  readonly tracks: ReadonlyMap<string, Track>
  /** How many acts have been counted. */
  readonly done: number
  readonly lastUrgentMin: number
  readonly wasAnalgesia: boolean
  readonly cannotAsk: CannotAsk | null
  /** Decisions without effect so far. */
  readonly refused: readonly RefusedDecision[]
}

/** What stands of folded rounds at a minute. */
export function readRounds({ acts, at, verdicts, watched, askedPart }: FoldedRounds, nowMin: number): FindingsAfterRounds {
  const tracks = new Map(at.tracks)
  // What was decided in this very minute counts: minutes are whole, and since the epoch too many for a very small part of one.
  const refused = [...at.refused]
  countActs(acts, at.done, nowMin + 0.5, tracks, refused)
  const all = [...tracks.values()]
  return {
    verdicts,
    findings: withCannotAsk(findingsOn(all, nowMin, watched), at.cannotAsk, askedPart),
    cannotAsk: at.cannotAsk,
    level: worse(worstLevel(all), at.cannotAsk ? 'warn' : 'none'),
    lookedAtMin: new Map([...tracks].map(([id, track]) => [id, track.lookedAtMin])),
    refused,
  }
}

/**
 * Folds rounds, reports, told and decisions in the order of time.
 * @param known what was folded before of the same case: where it is the beginning of this, only what is new is folded
 */
export function foldRounds(input: RoundsInput, known: FoldedRounds | null = null): FoldedRounds {
  const groups = groupByMinute(input.rounds)
  const moments = mergeMoments(groups, input.reports ?? [])
  const watched = watchedOf(input.clinicalCase.injury.region)
  const acts = orderActs(input, watched)
  const facts = factsOf(input)
  const soundLimb = soundLimbOf(input.clinicalCase)
  const askedPart = askedPartOf(input.clinicalCase)
  const from = known && isBeginningOf(known, facts, moments, acts) ? known : null
  const tracks = new Map(from?.at.tracks)
  const verdicts = [...(from?.verdicts ?? [])]
  const refused = [...(from?.at.refused ?? [])]
  let cannotAsk = from?.at.cannotAsk ?? null
  let { done, lastUrgentMin, wasAnalgesia } = from?.at ?? { done: 0, lastUrgentMin: -Infinity, wasAnalgesia: false }
  for (const { atMin, group, reports } of moments.slice(from?.moments.length ?? 0)) {
    done = countActs(acts, done, atMin, tracks, refused)
    for (const report of reports) raise(tracks, report, input.isAtRisk, soundLimb)
    if (group === null) {
      if (worstLevel([...tracks.values()]) === 'urgent') lastUrgentMin = atMin
      continue
    }
    const isAnalgesia = group.some((round) => round.analgesia === true)
    const isAtRisk = input.isAtRisk || atMin - lastUrgentMin <= 24 * 60
    const before = beforeOf(tracks)
    cannotAsk = afterRounds(cannotAsk, group, askedPart)
    const isUnaskable = cannotAsk !== null
    const situation = once(() => input.situationAt(atMin))
    const own = group.map((round) => {
      const looks = looksOf(input.clinicalCase, round, before, isAnalgesia || wasAnalgesia)
      return isUnaskable ? withUnaskable(looks, before, situation().on) : looks
    })
    const missing = group.map((round) => missingItems(input.clinicalCase, round))
    const facts = new Map<PartId, RoundFacts>()
    const factsOf = (part: PartId): RoundFacts => {
      const known = facts.get(part)
      if (known) return known
      const isComplete = group.some((round, place) => isCompleteFor(input.clinicalCase, round, part, missing[place] ?? []))
      const made = { atMin, isFirst: group === groups[0], isComplete, isAtRisk, isSound: part === soundLimb }
      facts.set(part, made)
      return made
    }
    const looked = own.map((looks) => [...looks, ...looksOfWholes(looks, tracks, soundLimb)])
    const findings = own.map((looks) => looks.flatMap((look) => findingOf(look, tracks.get(itemId(look)), factsOf(look.part))))
    for (const look of isSingle(group) ? (looked[0] ?? []) : worstOfEach(looked))
      tracks.set(itemId(look), afterLook(tracks.get(itemId(look)), look, factsOf(look.part)))
    for (const part of new Set([...tracks.values()].filter((track) => track.isInReview).map((track) => track.part))) {
      if (factsOf(part).isComplete) countQuiet(tracks, part, atMin)
    }
    const after = [...tracks.values()]
    const level = worse(worstLevel(after), isUnaskable ? 'warn' : 'none')
    if (level === 'urgent') lastUrgentMin = atMin
    wasAnalgesia = isAnalgesia
    const asIs = cannotAsk
    const listed = once(() => withCannotAsk(findingsOn(after, atMin, watched), asIs, askedPart))
    const asked = once(() => actionsAfter(after, level, situation(), watched))
    group.forEach((_, place) => {
      const found = findings[place] ?? []
      verdicts.push({
        atMin,
        level,
        complete: missing[place]?.length === 0,
        findings: found,
        missing: missing[place] ?? [],
        // Listed when somebody asks: a long stay has hundreds of rounds, and only the last is shown.
        get standing() {
          return listed()
        },
        get actions() {
          return [...asked(), ...(found.some((finding) => finding.code === 'warm-repeat') ? (['warm-repeat'] as const) : [])]
        },
        get againMin() {
          if (level === 'urgent' || level === 'review') return soonestLook(asked())
          const isUnjudged = found.some((finding) => finding.code === 'cannot-assess')
          return isUnjudged ? atRiskInterval(atMin - input.startMin) : null
        },
      })
    })
  }
  return { facts, watched, askedPart, acts, moments, at: { tracks, done, lastUrgentMin, wasAnalgesia, cannotAsk, refused }, verdicts }
}

/** A value that is worked out when it is first asked for. */
function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null
  return () => (made ??= { value: make() }).value
}

/** What a fold depends on beside its moments. */
function factsOf({ clinicalCase, isAtRisk, startMin, situationKey }: RoundsInput): string {
  const { injury, patient } = clinicalCase
  const facts = [injury.region, injury.side, hasFlag(clinicalCase, 'no-sound-side'), patient.ageYears, isAtRisk, startMin, situationKey]
  return JSON.stringify(facts)
}

/** Whether what was folded before is the beginning of what is to be folded now: the same facts, moments and acts counted so far. */
function isBeginningOf(known: FoldedRounds, facts: string, moments: readonly Moment[], acts: readonly Act[]): boolean {
  return (
    known.facts === facts &&
    known.moments.length <= moments.length &&
    known.moments.every((moment, index) => isSameMoment(moment, moments[index]!)) &&
    known.acts.slice(0, known.at.done).every((act, index) => act.key === acts[index]?.key) &&
    // One that came late, about a time before the last moment, was not counted where it belongs.
    !(acts[known.at.done] && acts[known.at.done]!.atMin < (known.moments.at(-1)?.atMin ?? -Infinity))
  )
}

function isSameMoment(a: Moment, b: Moment): boolean {
  return (
    a.atMin === b.atMin &&
    (a.group?.length ?? 0) === (b.group?.length ?? 0) &&
    (a.group ?? []).every((round, index) => round === b.group?.[index]) &&
    JSON.stringify(a.reports) === JSON.stringify(b.reports)
  )
}

/** Counts what was told and decided before a minute; returns how many acts have been counted. */
function countActs(acts: readonly Act[], from: number, beforeMin: number, tracks: Map<string, Track>, refused: RefusedDecision[]): number {
  let done = from
  for (; done < acts.length && acts[done]!.atMin < beforeMin; done++) {
    const refusal = acts[done]!.apply(tracks)
    if (refusal) refused.push(refusal)
  }
  return done
}

/** Rounds by their minute, ascending; those of one minute keep their order. */
function groupByMinute(rounds: readonly RoundInput[]): readonly (readonly RoundInput[])[] {
  const groups = new Map<number, RoundInput[]>()
  for (const round of [...rounds].sort((a, b) => a.atMin - b.atMin)) groups.set(round.atMin, [...(groups.get(round.atMin) ?? []), round])
  return [...groups.values()]
}

interface Moment {
  readonly atMin: number
  readonly group: readonly RoundInput[] | null
  readonly reports: readonly Report[]
}

/** Rounds and reports by their minute; what was reported in a round's own minute was said before it. */
function mergeMoments(groups: readonly (readonly RoundInput[])[], reports: readonly Report[]): readonly Moment[] {
  const moments = new Map<number, Moment>()
  for (const group of groups) moments.set(group[0]!.atMin, { atMin: group[0]!.atMin, group, reports: [] })
  for (const report of reports) {
    const { group = null, reports: others = [] } = moments.get(report.atMin) ?? {}
    moments.set(report.atMin, { atMin: report.atMin, group, reports: [...others, report] })
  }
  return [...moments.values()].sort((a, b) => a.atMin - b.atMin)
}

/** A report as a look of its own, worse than any that a round could make: the next round decides. */
function raise(tracks: Map<string, Track>, report: Report, isAtRisk: boolean, soundLimb: PartId | null): void {
  const { part, item, level, code, text, atMin, danger } = report
  const look: Look = { part, item, severity: 100, level, code, text, isNeverKnown: true, cannot: null, ...(danger ? { danger } : {}) }
  const id = itemId(look)
  const before = tracks.get(id)
  const after = afterLook(before, look, { atMin, isFirst: false, isComplete: false, isAtRisk, isSound: part === soundLimb })
  // It says nothing about the trend of what rounds measure, nor about the best that they saw.
  tracks.set(id, { ...after, trend: before?.trend ?? [], best: before?.best ?? 0, level: worse(after.level, before?.level ?? 'none') })
}

/** Feeling and movement as a whole, where somebody reported them lost: looked at when every nerve of the limb was. */
function looksOfWholes(looks: readonly Look[], tracks: ReadonlyMap<string, Track>, soundLimb: PartId | null): readonly Look[] {
  return [...tracks.values()].flatMap(({ part, item }): Look[] => {
    if (item !== 'feeling' && item !== 'movement') return []
    const parts = looks.filter((look) => look.part === part && look.item.startsWith(`${item}/`))
    if (parts.length === 0 || parts.some((look) => look.cannot !== null)) return []
    const worths = parts.map((look) => worthOf(look, tracks.get(itemId(look)), look.part === soundLimb))
    const isLost = worths.includes('urgent')
    const text = `${item === 'feeling' ? 'Feeling' : 'Movement'}: ${isLost ? 'lost' : 'as before'}`
    return [
      {
        part,
        item,
        severity: isLost ? 1 : 0,
        level: isLost ? 'urgent' : 'none',
        code: `new-loss-of-${item}`,
        text,
        isNeverKnown: true,
        cannot: null,
      },
    ]
  })
}

interface Act {
  readonly atMin: number
  /** Says which act it is, whatever it is called by. */
  readonly key: string
  /** Changes the tracks; says which decision had no effect. */
  readonly apply: (tracks: Map<string, Track>) => RefusedDecision | null
}

function orderActs({ told = [], decisions = [], situationAt }: RoundsInput, watched: Watched): readonly Act[] {
  const change = (tracks: Map<string, Track>, id: string, to: (track: Track) => Track): void => {
    const track = tracks.get(id)
    if (track) tracks.set(id, to(track))
  }
  return [
    ...told.map(({ atMin, items }): Act => ({
      atMin,
      key: `told ${atMin} ${items?.join() ?? ''}`,
      apply: (tracks) => {
        for (const id of items ?? [...tracks.keys()]) change(tracks, id, afterTold)
        return null
      },
    })),
    ...decisions.map((decision): Act => {
      const { atMin, by, part, item, untilMin, isAtBedside = false } = decision
      return {
        atMin,
        key: `decided ${atMin} ${by} ${part}/${item} ${untilMin} ${isAtBedside}`,
        apply: (tracks) => {
          const track = tracks.get(`${part}/${item}`)
          if (track?.level !== 'urgent') return { decision, why: 'not-urgent' }
          const grave = isGrave({ danger: dangerOfTrack(track, watched), part, item }, situationAt(atMin))
          if (grave && !isAtBedside) return { decision, why: 'not-at-bedside' }
          tracks.set(track.id, afterDecision(track, by, Math.min(untilMin, atMin + (grave ? longestGraveMin : longestDecisionMin))))
          return null
        },
      }
    }),
  ].sort((a, b) => a.atMin - b.atMin)
}

function beforeOf(tracks: ReadonlyMap<string, Track>): Before {
  return {
    last: (id) => tracks.get(id)?.trend.at(-1),
    first: (id) => tracks.get(id)?.first?.severity,
    isTold: (id) => tracks.get(id)?.isTold === true,
  }
}

function looksOf(clinicalCase: ClinicalCase, round: RoundInput, before: Before, analgesia: boolean): readonly Look[] {
  const injured = injuredLimb(clinicalCase)
  const isAlone = hasFlag(clinicalCase, 'no-sound-side')
  const isSound = (limb: LimbFindings): boolean => !isAlone && injured !== null && limb.limb === injured.limb && limb.side !== injured.side
  const watched = watchedOf(clinicalCase.injury.region)
  const isColumn = watched === 'neck' || watched === 'spine'
  const limbLooks = round.limbs.flatMap((limb) =>
    lookAtLimb(limb, {
      before,
      other: isAlone ? null : (round.limbs.find((one) => one.limb === limb.limb && one.side !== limb.side) ?? null),
      isAlone,
      isSound: isSound(limb),
      analgesia,
      ageYears: clinicalCase.patient.ageYears ?? null,
      isColumn,
    }),
  )
  const vital = { ageYears: clinicalCase.patient.ageYears ?? null, isColumn }
  const looks = [...limbLooks, ...blockNames.flatMap((name) => (round[name] ? lookAtBlock(name, round[name], before, vital) : []))]
  return isColumn ? withToldTingling(looks, before) : looks
}

/**
 * Tingling of a hurt neck or trunk that a senior was told of, that went and is back in the same place and no worse, is a review where it is
 * alone: on one limb, with no other sign of the cord that is new or worse in this round.
 */
function withToldTingling(looks: readonly Look[], before: Before): readonly Look[] {
  const isBack = (look: Look): boolean => look.code === 'tingling' && (before.first(itemId(look)) ?? 0) >= 1 && before.isTold(itemId(look))
  const back = looks.filter(isBack)
  const isCord = ({ item }: Look): boolean =>
    ['feeling', 'movement', 'power', 'saddle', 'bladder', 'bowel', 'level'].includes(item.split('/')[0]!)
  const isAlone = !looks.some(
    (look) =>
      isCord(look) && look.cannot === null && look.level === 'urgent' && !isBack(look) && look.severity > (before.first(itemId(look)) ?? 0),
  )
  if (back.length === 0 || !isAlone || new Set(back.map(({ part }) => part)).size > 1) return looks
  return looks.map((look) => (isBack(look) ? { ...look, level: 'review' as const } : look))
}

const neverLooked: Before = { last: () => undefined, first: () => undefined, isTold: () => false }

/** What one round finds by itself, before it is set against those before it: for whoever is still entering it. */
export function looksOfOne(clinicalCase: ClinicalCase, round: RoundInput): readonly Look[] {
  return looksOf(clinicalCase, round, neverLooked, round.analgesia === true)
}

/** One round in its minute, with no limb listed twice: nothing to choose between. */
function isSingle(group: readonly RoundInput[]): boolean {
  const limbs = group[0]?.limbs ?? []
  return group.length === 1 && new Set(limbs.map((limb) => `${limb.limb}-${limb.side}`)).size === limbs.length
}

/** Of several looks at one item in one minute the worst; what could not be judged is worse than what was well. */
function worstOfEach(rounds: readonly (readonly Look[])[]): readonly Look[] {
  const worst = new Map<string, Look>()
  for (const look of rounds.flat()) {
    const other = worst.get(itemId(look))
    if (!other || isWorseLook(look, other)) worst.set(itemId(look), look)
  }
  return [...worst.values()]
}

/** Of two that weigh alike, always the same one, whichever was entered first. */
function isWorseLook(look: Look, other: Look): boolean {
  return rank(look) === rank(other) ? look.text.localeCompare(other.text) < 0 : rank(look) > rank(other)
}

function rank(look: Look): number {
  const level = look.cannot === null ? levels.indexOf(look.level) : 0.5
  return level * 1000 + look.severity
}

/** What a round itself found of an item: what it is worth, known or not; what could not be assessed is never nothing. */
function findingOf(look: Look, track: Track | undefined, facts: RoundFacts): readonly Finding[] {
  const level = look.cannot !== null ? (facts.isAtRisk ? 'warn' : 'none') : worthOf(look, track, facts.isSound)
  const isSaid = level !== 'none' || look.cannot !== null || look.code === 'warm-repeat'
  if (!isSaid) return []
  const text = level === 'known' ? `${look.text} (as before)` : look.text
  return [{ part: look.part, item: look.item, side: sideOfPart(look.part), level, code: look.code, text }]
}

function countQuiet(tracks: Map<string, Track>, part: PartId, atMin: number): void {
  const own = [...tracks.values()].filter((track) => track.part === part)
  const isQuiet = !own.some(isUnquiet)
  for (const track of own) tracks.set(track.id, afterCompleteRound(track, atMin, isQuiet))
}

/** The limb beside the injured one, which wears nothing; null where both are hurt, or where the injury is of neck or trunk. */
function soundLimbOf(clinicalCase: ClinicalCase): PartId | null {
  const injured = injuredLimb(clinicalCase)
  if (!injured || hasFlag(clinicalCase, 'no-sound-side')) return null
  return limbPart(injured.limb, otherSide(injured.side))
}
