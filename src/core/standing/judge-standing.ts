import type { ActionId } from '../model/action'
import type { Level } from '../model/finding'
import type { Caution } from '../model/plan'
import type { Step } from '../model/step'
import { cautionsBrought } from '../planner/compare-plans'
import type { CallEntry, ResponseEntry, Signed } from '../model/response'
import {
  asStanding,
  isBedside,
  standingLevels,
  type SeniorWord,
  type Standing,
  type StandingAction,
  type StandingCall,
  type StandingItem,
  type StandingLevel,
} from '../model/standing'
import { actionWords, openingAction } from './action-words'
import { headlineItem, newestMs } from './headline-item'
import { listOfNames, nameOfItem, nameOfPart } from './item-names'
import type { FindingsAfterRounds, SeniorDecision, StandingFinding } from './standing-finding'
import { outlastsApplication } from '../rules/outlasts'
import { pulseAbsent } from '../runs/what-binds'
import { asksCall, reviewActions, whatNow, type Situation, type StandingDanger } from './what-now'

/** Something that stands for another reason than what rounds found; it ends where it is no longer given. */
export type OtherItem = Omit<StandingItem, 'state' | 'settled' | 'lookedAtMs' | 'alarmSinceMs' | 'danger' | 'isCalled'> &
  Partial<Pick<StandingItem, 'lookedAtMs' | 'danger'>>

/** Everything that `judgeStanding` reads. Times are milliseconds since the epoch; minutes of `rounds` count from it too. */
export interface StandingInput {
  /** What is on, who is there and how the patient is. */
  readonly situation: Situation
  /** The device's own way of opening or easing, in words. */
  readonly ownWay: readonly string[]
  /** When the device went on; null before. */
  readonly onAtMs: number | null
  readonly removedAtMs: number | null
  /** What rounds found and what of it stands, as `findingsAfterRounds` gave it for `now`. */
  readonly rounds: FindingsAfterRounds
  /** When the device was last looked at since it went on; null where nobody has. */
  readonly lookedAtMs: number | null
  readonly plan: {
    readonly inForce: readonly Caution[]
    readonly waiting: readonly Caution[]
    readonly sinceMs: number
    /** Steps of the plan in force. */
    readonly steps: readonly Step[]
    readonly doneSteps: readonly string[]
  }
  readonly others: readonly OtherItem[]
  readonly responses: readonly (ResponseEntry & Signed)[]
  readonly calls: readonly (CallEntry & Signed)[]
  readonly decisions: readonly SeniorDecision[]
  /** What seniors said, in the order of time. */
  readonly words: readonly SeniorWord[]
}

export const minuteMs = 60_000

/**
 * What stands about a case at the moment for which its rounds were read: everything that rounds found and nothing has ended, the stops and cautions of the
 * plan in force and of the change that waits, readings, troubles, deviations, what is owed and what nobody has looked at; the actions about
 * the worst, with what was done of them; the call.
 */
export function judgeStanding(input: StandingInput): Standing {
  const isOn = input.onAtMs !== null && input.removedAtMs === null
  const situation = input.rounds.cannotAsk ? { ...input.situation, cannotAsk: true } : input.situation
  const items = [
    ...input.rounds.findings.map((finding) => itemOfRound(finding, input)),
    ...planItems(input),
    ...input.others.map((other) => whole(other, input.situation)),
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
  const asksToWarm = last?.findings.some((finding) => finding.code === 'warm-repeat') === true
  const alarming = items.filter((item) => isClinical(item) && item.level === alarm)
  const own = alarming.filter((item) => item.ownSteps !== undefined && (item.danger === null || item.danger === 'own'))
  const actions = [...actionsAbout(alarming, own, alarm, input.situation), ...(asksToWarm ? (['warm-repeat'] as const) : [])]
  const listed = actions.map((id): StandingAction => ({
    id,
    text:
      id === 'as-trouble'
        ? own.map((item) => item.ownSteps?.[0] ?? item.text).join(' ')
        : actionWords(id, situation, alarming.map(dangerIn)),
    ownWay: ownWayOf(id, input, own),
    response: responseOf(id, sinceMs, input),
  }))
  return {
    level,
    headline: headlineOf(level, items, last?.missing ?? []),
    headlineMs: alarming.length > 0 ? Math.max(...alarming.map(newestMs)) : null,
    bedside: { level: levelOf(bedside), headline: headlineOf(levelOf(bedside), bedside, last?.missing ?? []) },
    items,
    actions: listed,
    words: input.words.filter((word) => sinceMs !== null && word.atMs >= sinceMs),
    call: callOf(items, sinceMs, input, isActedOn(listed)),
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
    danger: one.danger,
    isCalled: one.level === 'urgent' && asksCall({ danger: one.danger, part: one.part, item: one.item }, input.situation),
    text: `${nameOfPart(one.part)}: ${lower(one.text)}${isBefore ? ' (as before)' : ''}`,
    part: one.part,
    ...(one.feelingLevel ? { feelingLevel: one.feelingLevel } : {}),
    ...(one.isAsAtFirst ? { isAsAtFirst: true } : {}),
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
  if (one.state === 'cannot-be-asked') return 'A round in which the patient answers.'
  if (one.state === 'unknown') return 'A look at it once it can be assessed.'
  return one.level === 'known' ? 'It was there from the start; worse is new.' : 'A look that finds it well.'
}

/** Stops and cautions of the plan that is applied, and those that a waiting change would bring. */
function planItems({ plan, onAtMs, removedAtMs }: StandingInput): readonly StandingItem[] {
  // With the device its plan is over: nothing could end what it warns of.
  if (removedAtMs !== null) return []
  // Once it is on a lost pulse stands by itself, with what to do: that nothing goes on before it is past.
  const brought = cautionsBrought(plan.inForce, plan.waiting).filter((caution) => onAtMs === null || caution.code !== pulseAbsent)
  return [
    ...plan.inForce
      .filter((caution) => onAtMs === null || !isPast(caution, plan))
      .map((caution) => planItem(caution, 'plan', plan.sinceMs)),
    ...brought.map((caution) => planItem(caution, 'change', plan.sinceMs, onAtMs !== null)),
  ].flatMap((one) => one ?? [])
}

/** Once it is on: what bit at steps alone is past when they are done, and a caution about putting it on with the application. */
function isPast(caution: Caution, { steps, doneSteps }: StandingInput['plan']): boolean {
  if (caution.steps.length === 0) return false
  if (caution.steps.every((step) => doneSteps.includes(step))) return true
  return caution.level === 'caution' && !outlastsApplication(caution, steps)
}

/** @param isOn the device is on: what is new since then came of a reading or a flag, and ends with the next one */
function planItem(caution: Caution, prefix: string, sinceMs: number, isOn = false): StandingItem | null {
  if (caution.level === 'note' || caution.overruled) return null
  const isStop = caution.level === 'stop'
  return {
    id: `${prefix}/${caution.code}${caution.steps.length > 0 ? `/${caution.steps.join('+')}` : ''}`,
    from: isOn ? 'reading' : 'plan',
    level: isStop ? 'stop' : 'warn',
    danger: null,
    isCalled: false,
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
        ? 'Accepting the change, or keeping what was accepted with a reason.'
        : 'A reading, an answer or a device with which it no longer holds.',
    isEndedByWord: false,
  }
}

function whole(item: OtherItem, situation: Situation): StandingItem {
  const danger = item.danger ?? null
  return {
    ...item,
    danger,
    isCalled: item.level === 'urgent' && isClinical(item) && asksCall({ danger: danger ?? 'own', part: item.part, item: null }, situation),
    alarmSinceMs: item.sinceMs,
    lookedAtMs: item.lookedAtMs ?? null,
    state: 'open',
    settled: null,
  }
}

/** A device that is on and that nobody has looked at is not known to be well. */
function unlooked({ onAtMs, lookedAtMs }: StandingInput, isOn: boolean): readonly StandingItem[] {
  if (!isOn || onAtMs === null || lookedAtMs !== null) return []
  return [
    {
      id: 'device/not-looked-at',
      from: 'device',
      level: 'unknown',
      danger: null,
      isCalled: false,
      text: 'Nobody has looked at it yet.',
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
  const alarming = items.filter(isClinical).map((item) => item.level)
  return alarming.includes('urgent') ? 'urgent' : alarming.includes('review') ? 'review' : 'none'
}

function isClinical(item: Pick<StandingItem, 'from'>): boolean {
  return item.from === 'round' || item.from === 'trouble' || item.from === 'reading' || item.from === 'run'
}

/**
 * What is to be done now, in order: about urgent dangers what `whatNow` says; a review is loosened and seen, or answered by the steps of the
 * troubles that alone raised it.
 */
function actionsAbout(
  alarming: readonly StandingItem[],
  own: readonly StandingItem[],
  alarm: Level,
  situation: Situation,
): readonly ActionId[] {
  if (alarm === 'urgent') return whatNow(alarming.map(dangerIn), situation)
  if (alarm !== 'review') return []
  if (own.length === 0) return reviewActions(situation)
  return ['as-trouble', ...reviewActions(own.length === alarming.length ? { on: null } : situation)]
}

/** An item as a danger: what says nothing of its own is answered by its own steps. */
export function dangerIn({ danger, part, id, from, asItem, isAsAtFirst }: StandingItem): StandingDanger {
  const item = asItem ?? (from === 'round' ? id.slice((part ?? '').length + 1) : null)
  return { danger: danger ?? 'own', part, item, ...(isAsAtFirst ? { isAsAtFirst } : {}) }
}

/** The device's own way of opening or easing, or the steps of the troubles. */
function ownWayOf(id: ActionId, { situation, ownWay }: StandingInput, own: readonly StandingItem[]): readonly string[] {
  // Its first step is the line itself.
  if (id === 'as-trouble') return own.flatMap((item) => item.ownSteps?.slice(1) ?? [])
  if (!situation.on) return []
  return id === openingAction[situation.on.holds] || id === 'open-front' ? ownWay : []
}

/**
 * When the alarm that runs began: what joined it later is part of it. What a senior settled is over as an alarm: new or worse begins another
 * one, with every action open again.
 */
function alarmSince(items: readonly StandingItem[], level: Level): number | null {
  const all = items.filter((item) => isClinical(item) && item.level === level)
  const unsettled = all.filter((item) => item.settled === null)
  const own = unsettled.length > 0 ? unsettled : all
  return level === 'none' || own.length === 0 ? null : Math.min(...own.map((item) => item.alarmSinceMs))
}

/** What was recorded of an action since the alarm: a call is done by whoever answered, a look by the round that has it. */
function responseOf(id: ActionId, sinceMs: number | null, input: StandingInput): StandingAction['response'] {
  if (sinceMs === null) return null
  const own = input.responses.findLast((response) => response.action === id && response.atMs >= sinceMs)
  // A tick says that somebody pressed, not that somebody heard.
  if (own && !(id === 'call-senior' && own.outcome === 'done')) return own
  if (id === 'call-senior') {
    const reached = reachedSince(sinceMs, input)
    return reached ? { action: id, outcome: 'done', why: '', atMs: reached.atMs, by: reached.to } : null
  }
  if (id !== 'compare-both') return null
  const looked = (item: string): number => (input.rounds.lookedAtMin.get(item) ?? -Infinity) * minuteMs
  const atMs = Math.max(Math.min(looked('leg-left/pulse'), looked('leg-right/pulse')), looked('vital/systolic'))
  return atMs >= sinceMs ? { action: id, outcome: 'done', why: '', atMs, by: 'in the round' } : null
}

/** Who was reached since the alarm; whoever is at the bedside counts for more than whoever was first on the line. */
function reachedSince(sinceMs: number, { calls }: StandingInput): (CallEntry & Signed) | undefined {
  const own = calls.filter((call) => call.atMs >= sinceMs && call.isReached)
  return own.find((one) => one.how === 'bedside') ?? own[0]
}

/** Whether the first act on the body is done; where the list has none, talking is all there is to do. */
function isActedOn(actions: readonly StandingAction[]): boolean {
  const first = actions.find(({ id }) => actsOnBody.includes(id))
  return first === undefined || first.response?.outcome === 'done'
}

/** Actions that change something on the body; the others call, look, measure or give. A call that is to be joined by an opening opens nothing yet. */
const actsOnBody: readonly ActionId[] = [
  'as-trouble',
  'compress',
  'turn-in-line',
  'hold-head',
  'in-line',
  'flat-in-line',
  'hands-on-pull',
  'airway',
  'as-breathes',
  'open-collar-held',
  'open-front',
  'open-to-skin',
  'ease-pull',
  'uncover',
  'free-point',
  'ease-point',
  'lie-flat',
  'pain-relief',
]

function callOf(items: readonly StandingItem[], sinceMs: number | null, input: StandingInput, isActed: boolean): StandingCall | null {
  if (sinceMs === null || !items.some((item) => item.isCalled)) return null
  const own = input.calls.filter((call) => call.atMs >= sinceMs)
  const reached = reachedSince(sinceMs, input)
  return {
    sinceMs,
    answered: reached ? { to: reached.to, said: reached.said, how: reached.how, atMs: reached.atMs, by: reached.by } : null,
    isActedOn: isActed,
    missed: own.filter((one) => !one.isReached).map(({ to, atMs, by }) => ({ to, atMs, by })),
  }
}

function headlineOf(level: StandingLevel, items: readonly StandingItem[], notLookedAt: readonly string[]): string {
  if (items.length === 0 || level === 'none') {
    if (notLookedAt.length > 0) return `Not looked at: ${listOfNames(notLookedAt)}`
    return items.length === 0 ? 'No warning in what was entered' : 'Not everything could be judged'
  }
  if (level === 'warn' && !items.some((item) => item.level === 'warn' && isBedside(item))) return 'A caution of the plan stands'
  const worst = items.filter((item) => item.level === level)
  if (!namedLevels.includes(level) || worst.length === 0) return headlines[level]
  // An alarm is named by its danger and by the newest of it; of stops and warnings the number says that there are more.
  if (level === 'urgent') return `${headlines[level]}: ${lower(headlineItem(worst)?.text ?? '')}`
  const first = (level === 'review' ? headlineItem(worst) : worst[0])?.text ?? ''
  return `${headlines[level]}: ${worst.length > 1 ? `${lower(first.replace(/\.$/, ''))}, and ${worst.length - 1} more` : lower(first)}`
}

/** Levels whose headline names what is wrong. */
const namedLevels: readonly StandingLevel[] = ['urgent', 'stop', 'review', 'warn']

const headlines: Readonly<Record<StandingLevel, string>> = {
  urgent: 'Urgent',
  stop: 'Stop',
  review: 'Review',
  unknown: 'Not looked at yet',
  warn: 'Warning',
  owed: 'Something is owed',
  known: 'Only what was there from the start',
  none: 'No warning in what was entered',
}
