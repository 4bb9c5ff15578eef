import { actionTexts, type ActionId, type DeviceKind, type Level } from '../model/finding'
import type { Caution } from '../model/plan'
import { cautionsBrought } from '../planner/compare-plans'
import type { CallEntry, ResponseEntry, Signed } from '../model/response'
import {
  asStanding,
  isBedside,
  standingLevels,
  type Standing,
  type StandingAction,
  type StandingCall,
  type StandingItem,
  type StandingLevel,
} from '../model/standing'
import { actionsFor, actionsForTrouble, openingAction } from './actions'
import { listOfNames, nameOfItem, nameOfPart } from './item-names'
import type { RoundsStanding, SeniorDecision, StandingFinding } from './stand-rounds'

/** Something that stands for another reason than what rounds found; it ends where it is no longer given. */
export type OtherItem = Omit<StandingItem, 'state' | 'settled' | 'lookedAtMs' | 'alarmSinceMs'> & Partial<Pick<StandingItem, 'lookedAtMs'>>

/** Everything that `judgeStanding` reads. Times are milliseconds since the epoch; minutes of `rounds` count from it too. */
export interface StandingInput {
  readonly device: DeviceKind
  /** The device's own way of opening or easing, in words. */
  readonly ownWay: readonly string[]
  /** When the device went on; null before. */
  readonly onAtMs: number | null
  readonly removedAtMs: number | null
  /** What rounds found and what of it stands, as `standRounds` gave it for `now`. */
  readonly rounds: RoundsStanding
  /** When the device was last looked at since it went on; null where nobody has. */
  readonly lookedAtMs: number | null
  readonly plan: {
    readonly inForce: readonly Caution[]
    readonly waiting: readonly Caution[]
    readonly sinceMs: number
    readonly doneSteps: readonly string[]
  }
  readonly others: readonly OtherItem[]
  readonly responses: readonly (ResponseEntry & Signed)[]
  readonly calls: readonly (CallEntry & Signed)[]
  readonly decisions: readonly SeniorDecision[]
}

export const minuteMs = 60_000

/**
 * What stands about a case at the moment for which its rounds were read (STANDING, What stands): everything that rounds found and nothing has ended, the stops and cautions of the
 * plan in force and of the change that waits, readings, troubles, deviations, what is owed and what nobody has looked at; the actions about
 * the worst, with what was done of them; the call.
 */
export function judgeStanding(input: StandingInput): Standing {
  const isOn = input.onAtMs !== null && input.removedAtMs === null
  const items = [
    ...input.rounds.findings.map((one) => itemOfRound(one, input)),
    ...planItems(input),
    ...input.others.map(whole),
    ...unlooked(input, isOn),
  ]
  items.sort((a, b) => rank(a.level, isOn) - rank(b.level, isOn) || a.sinceMs - b.sinceMs || a.id.localeCompare(b.id))
  const levelOf = (some: readonly StandingItem[]): StandingLevel =>
    some.reduce<StandingLevel>((worst, one) => (rank(one.level, isOn) < rank(worst, isOn) ? one.level : worst), 'none')
  const level = levelOf(items)
  const bedside = items.filter(isBedside)
  const last = input.rounds.verdicts.at(-1)
  const notLookedAt = (last?.missing ?? []).map((id) => {
    const lastMin = input.rounds.lookedAtMin.get(id)
    return { id, lastMs: lastMin === undefined ? null : lastMin * minuteMs }
  })
  const alarm = alarmLevel(items)
  const sinceMs = alarmSince(items, alarm)
  const asksToWarm = last?.findings.some((one) => one.code === 'warm-repeat') === true
  return {
    level,
    headline: headlineOf(level, items, last?.missing ?? []),
    bedside: { level: levelOf(bedside), headline: headlineOf(levelOf(bedside), bedside, last?.missing ?? []) },
    items,
    actions: actionIdsFor(items, alarm, actionsFor(alarm, input.device, asksToWarm, isOn)).map((id): StandingAction => ({
      id,
      text:
        id === 'as-trouble'
          ? ownStepItems(items, alarm)
              .map((one) => one.text)
              .join('; ')
          : actionTexts[id],
      ownWay:
        id === 'as-trouble'
          ? ownStepItems(items, alarm).flatMap((one) => one.ownSteps ?? [])
          : id === openingAction[input.device] && isOn
            ? input.ownWay
            : [],
      response: input.responses.findLast((one) => one.action === id && one.atMs >= (sinceMs ?? Infinity)) ?? null,
    })),
    call: callOf(items, sinceMs, input),
    notLookedAt,
  }
}

/** Before a device is on, nothing looked at is the least of all. */
function rank(level: StandingLevel, isOn: boolean): number {
  return level === 'unknown' && !isOn ? standingLevels.length : standingLevels.indexOf(level)
}

function itemOfRound(one: StandingFinding, input: StandingInput): StandingItem {
  const isBefore = one.level === 'known'
  const decision = one.settledUntilMin === null ? undefined : input.decisions.findLast((each) => `${each.part}/${each.item}` === one.id)
  return {
    id: one.id,
    from: 'round',
    level: asStanding(one.level),
    text: `${nameOfPart(one.part)}: ${lower(one.text)}${isBefore ? ' (as before)' : ''}`,
    part: one.part,
    sinceMs: one.sinceMin * minuteMs,
    alarmSinceMs: (one.alarmSinceMin ?? one.sinceMin) * minuteMs,
    lookedAtMs: one.lookedAtMin * minuteMs,
    binds: { stages: [], steps: [] },
    state: one.state,
    settled: one.settledUntilMin === null ? null : { untilMs: one.settledUntilMin * minuteMs, by: decision?.by ?? '' },
    ends: endingOf(one),
    isEndedByWord: false,
  }
}

function lower(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1)
}

function endingOf(one: StandingFinding): string {
  if (one.level === 'urgent') return `A complete round in which ${nameOfItem(one.item)} is no longer urgent.`
  if (one.state === 'review')
    return one.quietAtMin === null
      ? 'Two complete quiet rounds within 30 minutes.'
      : 'One more complete quiet round within 30 minutes of the last.'
  if (one.state === 'unknown') return 'A look at it once it can be assessed.'
  return one.level === 'known' ? 'It was there from the start; worse is new.' : 'A look that finds it well.'
}

/** Stops and cautions of the plan that is applied, and those that a waiting change would bring. */
function planItems({ plan, onAtMs, removedAtMs }: StandingInput): readonly StandingItem[] {
  // With the device its plan is over: nothing could end what it warns of.
  if (removedAtMs !== null) return []
  const brought = cautionsBrought(plan.inForce, plan.waiting)
  return [
    ...plan.inForce.filter((one) => onAtMs === null || !isPast(one, plan.doneSteps)).map((one) => planItem(one, 'plan', plan.sinceMs)),
    ...brought.map((one) => planItem(one, 'change', plan.sinceMs, onAtMs !== null)),
  ].flatMap((one) => one ?? [])
}

/** What bit at steps alone is past once they are done. */
function isPast(caution: Caution, doneSteps: readonly string[]): boolean {
  return caution.steps.length > 0 && caution.steps.every((step) => doneSteps.includes(step))
}

/** @param isOn the device is on: what is new since then came of a reading or a flag, and ends with the next one */
function planItem(caution: Caution, prefix: string, sinceMs: number, isOn = false): StandingItem | null {
  if (caution.level === 'note' || caution.overruled) return null
  const isStop = caution.level === 'stop'
  return {
    id: `${prefix}/${caution.code}${caution.steps.length > 0 ? `/${caution.steps.join('+')}` : ''}`,
    from: isOn ? 'reading' : 'plan',
    level: isStop ? 'stop' : 'warn',
    text: caution.text,
    part: null,
    sinceMs,
    alarmSinceMs: sinceMs,
    lookedAtMs: null,
    binds: isStop ? { stages: ['make-ready', 'apply'], steps: caution.steps } : { stages: [], steps: [] },
    state: 'open',
    settled: null,
    ends: isOn
      ? 'A reading on a later occasion that is well again.'
      : prefix === 'change'
        ? 'Taking the change, or keeping what was accepted with a reason.'
        : caution.why,
    isEndedByWord: false,
  }
}

function whole(item: OtherItem): StandingItem {
  return { ...item, alarmSinceMs: item.sinceMs, lookedAtMs: item.lookedAtMs ?? null, state: 'open', settled: null }
}

/** A device that is on and that nobody has looked at is not known to be well. */
function unlooked({ onAtMs, lookedAtMs }: StandingInput, isOn: boolean): readonly StandingItem[] {
  if (!isOn || onAtMs === null || lookedAtMs !== null) return []
  return [
    {
      id: 'device/not-looked-at',
      from: 'device',
      level: 'unknown',
      text: 'Nobody has looked since it went on.',
      part: null,
      sinceMs: onAtMs,
      alarmSinceMs: onAtMs,
      lookedAtMs: null,
      binds: { stages: [], steps: [] },
      state: 'unknown',
      settled: null,
      ends: 'The check after application.',
      isEndedByWord: false,
    },
  ]
}

/** What the actions answer: the worst of what rounds and troubles say. */
function alarmLevel(items: readonly StandingItem[]): Level {
  const alarming = items.filter(isClinical).map((one) => one.level)
  return alarming.includes('urgent') ? 'urgent' : alarming.includes('review') ? 'review' : 'none'
}

function isClinical(item: StandingItem): boolean {
  return item.from === 'round' || item.from === 'trouble' || item.from === 'reading' || item.from === 'run'
}

/** What raised the alarm and says itself what is to be done. */
function ownStepItems(items: readonly StandingItem[], alarm: Level): readonly StandingItem[] {
  return items.filter((one) => one.level === alarm && one.ownSteps !== undefined)
}

/** The device's actions; where a trouble with steps of its own is all that raised the alarm those instead, and else before them. */
function actionIdsFor(items: readonly StandingItem[], alarm: Level, ofDevice: readonly ActionId[]): readonly ActionId[] {
  const own = ownStepItems(items, alarm)
  if (alarm === 'none' || own.length === 0) return ofDevice
  const isAll = items.filter((one) => isClinical(one) && one.level === alarm).length === own.length
  return isAll ? actionsForTrouble(alarm) : ['as-trouble', ...ofDevice]
}

/** When the alarm that runs began: what joined it later is part of it. */
function alarmSince(items: readonly StandingItem[], level: Level): number | null {
  const own = items.filter((one) => isClinical(one) && one.level === level)
  return level === 'none' || own.length === 0 ? null : Math.min(...own.map((one) => one.alarmSinceMs))
}

function callOf(items: readonly StandingItem[], sinceMs: number | null, { calls }: StandingInput): StandingCall | null {
  const isUrgent = items.some((one) => one.level === 'urgent' && isClinical(one))
  if (!isUrgent || sinceMs === null) return null
  const own = calls.filter((one) => one.atMs >= sinceMs)
  const reached = own.find((one) => one.isReached)
  return {
    sinceMs,
    answered: reached ? { to: reached.to, said: reached.said, atMs: reached.atMs, by: reached.by } : null,
    missed: own.filter((one) => !one.isReached).map(({ to, atMs, by }) => ({ to, atMs, by })),
  }
}

function headlineOf(level: StandingLevel, items: readonly StandingItem[], notLookedAt: readonly string[]): string {
  if (items.length === 0 || level === 'none') {
    if (notLookedAt.length > 0) return `Not looked at: ${listOfNames(notLookedAt)}`
    return items.length === 0 ? 'No warning in what was entered' : 'Not everything could be judged'
  }
  if (level === 'warn' && !items.some((one) => one.level === 'warn' && isBedside(one))) return 'A caution of the plan stands'
  return headlines[level]
}

const headlines: Readonly<Record<StandingLevel, string>> = {
  urgent: 'Urgent: act now',
  stop: 'Stop: settle this first',
  review: 'Review: senior at the bedside within 30 minutes',
  unknown: 'Not looked at yet',
  warn: 'A warning: look again early',
  owed: 'Something is owed',
  known: 'Only what was there from the start',
  none: 'No warning in what was entered',
}
