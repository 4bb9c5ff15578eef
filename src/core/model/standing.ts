import type { ActionId } from './action'
import type { Danger } from './danger'
import type { Level } from './finding'
import type { CallWay, ResponseEntry, Signed } from './response'

/** Levels of what stands, worst first. Before a device is on, nothing looked at comes last. */
export const standingLevels = ['urgent', 'stop', 'review', 'unknown', 'warn', 'owed', 'known', 'none'] as const
export type StandingLevel = (typeof standingLevels)[number]

/** Where an item comes from. */
export type StandingSource = 'round' | 'plan' | 'reading' | 'trouble' | 'run' | 'task' | 'device'

export type StandingState = 'open' | 'review' | 'settled' | 'unknown' | 'cannot-be-asked'

/** What an item holds back until it is dealt with. */
export interface Binding {
  readonly stages: readonly string[]
  readonly steps: readonly string[]
}

/** One thing that is wrong, open, owed or unknown about a case now. */
export interface StandingItem {
  /** `leg-left/pulse` for what rounds look at; `plan/…`, `trouble/…`, `run/…`, `task/…`, `device/…` for the rest. */
  readonly id: string
  readonly from: StandingSource
  readonly level: StandingLevel
  /** What kind of danger it is; null for what is no danger of a patient, such as owed work. */
  readonly danger: Danger | null
  /** Somebody is called about it. */
  readonly isCalled: boolean
  /** In the words of whoever stands at the bed. */
  readonly text: string
  /** What somebody typed beside it; it is never sent on a page. */
  readonly typed?: string
  /** `leg-left`, `neck`, …; null where it belongs to no part. */
  readonly part: string | null
  /** Milliseconds since the epoch: what raised it. */
  readonly sinceMs: number
  /** What made it an alarm, ms: later than what raised it where it was known or a warning before. */
  readonly alarmSinceMs: number
  /** When it was last looked at, ms; null where nobody looks at it. */
  readonly lookedAtMs: number | null
  readonly binds: Binding
  readonly state: StandingState
  /** While a senior's decision holds: until when, by whom. */
  readonly settled: { readonly untilMs: number; readonly by: string } | null
  /** What ends it, in words. */
  readonly ends: string
  /** A person ends it, with a word: no round of this case looks at it. */
  readonly isEndedByWord: boolean
  /** The highest level at which touch is lost, where that is what was found. */
  readonly feelingLevel?: string
  /** It was there at the first look of all and is no worse since. */
  readonly isAsAtFirst?: boolean
  /** The round's item that it is about, where it is not one of a round itself. */
  readonly asItem?: string
  /** What it asks for itself, in order, where what the device asks for does not answer it. */
  readonly ownSteps?: readonly string[]
}

/** An action that is due about what stands, with what was recorded of it since the alarm. */
export interface StandingAction {
  readonly id: ActionId
  readonly text: string
  /** The device's own way of doing it. */
  readonly ownWay: readonly string[]
  readonly response: (ResponseEntry & Signed) | null
}

/** The call about an alarm: made or not, reached or not. */
export interface StandingCall {
  /** When the alarm that asks for it began, ms. */
  readonly sinceMs: number
  /** Who was reached, when, by whom; null while nobody was. */
  readonly answered: ({ readonly to: string; readonly said: string; readonly how: CallWay } & Signed) | null
  /** The first act on the body is ticked, or nothing is to be done on it. */
  readonly isActedOn: boolean
  /** Calls that reached nobody. */
  readonly missed: readonly ({ readonly to: string } & Signed)[]
}

/** What a senior said since the alarm began, for whoever reads what stands. */
export interface SeniorWord extends Signed {
  /** "open it now; comes 07:48" in words without the name. */
  readonly text: string
  readonly how: 'self' | 'telephone' | 'bedside'
  /** Who entered it, where that is another person. */
  readonly enteredBy: string
  /** When they are there, ms; null where nobody said so. */
  readonly comesAtMs: number | null
  /** It asks for the opening at once. */
  readonly isOrderToOpen: boolean
}

/** What stands about a case. */
export interface Standing {
  readonly level: StandingLevel
  readonly headline: string
  /** When the newest of what alarms was found, ms; null where nothing alarms. */
  readonly headlineMs: number | null
  /** The same of what was seen at the bedside alone: rounds, readings, troubles, nobody having looked. */
  readonly bedside: { readonly level: StandingLevel; readonly headline: string }
  /** Worst first. */
  readonly items: readonly StandingItem[]
  /** What to do now about the worst, in the order that saves: the first is what whoever is there does first. */
  readonly actions: readonly StandingAction[]
  /** What seniors said about it since it began, the newest last. */
  readonly words: readonly SeniorWord[]
  /** The one call of this case; null while nothing asks for it. */
  readonly call: StandingCall | null
  /** What the last round left out, as ids, with when it was last looked at, ms; null where it never was. */
  readonly notLookedAt: readonly { readonly id: string; readonly lastMs: number | null }[]
}

/** What whoever is there does first about an alarm: the first action that nobody has answered for; null where nothing alarms or all is done. */
export function firstAction({ actions }: Pick<Standing, 'actions'>): StandingAction | null {
  return actions.find((action) => action.response === null) ?? null
}

/** Whether an item was seen, or not seen, at the bedside; the others come from plan, run and list. */
export function isBedside(item: StandingItem): boolean {
  return (
    item.from === 'round' || item.from === 'reading' || item.from === 'trouble' || item.from === 'device' || item.id === 'run/side-changed'
  )
}

/** Whether an item asks for anything: more than what is known. */
export function isPressing(item: Pick<StandingItem, 'level'>): boolean {
  return item.level !== 'known' && item.level !== 'none'
}

/** Whether rounds go on, and the case stays on the Board, although its device is off: something found stands above what is known. */
export function isHeldOpen(items: readonly StandingItem[]): boolean {
  return items.some((item) => isPressing(item) && item.from !== 'plan' && item.from !== 'task')
}

/** A level of a round as a level of standing: they share their names. */
export function asStanding(level: Level): StandingLevel {
  return level
}
