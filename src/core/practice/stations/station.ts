import type { PracticePatient } from '../practice-case'

/** What fails a station whatever the score, in words for the examiner's button and the sheet. */
export const criticalErrors = {
  'pull-let-go': { label: 'Pull let go', why: 'A pull that was taken holds the break still until the device does.' },
  'head-let-go': { label: 'Head let go', why: 'Nothing but hands holds the neck until blocks and straps are on.' },
  'circulation-before': { label: 'Circulation not checked before', why: 'Without it nobody can say what the device did.' },
  'circulation-after': { label: 'Circulation not checked after', why: 'What the device did is found here or hours later.' },
  'strap-on-injury': { label: 'Strap on the injury', why: 'It presses where the skin and the break bear nothing.' },
  'wrong-side': { label: 'Wrong side', why: 'The injured limb stays without its device.' },
  'size-off': { label: 'Size off by two or more', why: 'It neither holds nor leaves room.' },
  'assistant-undirected': {
    label: 'The assistant acted without a word from the leader',
    why: 'Hands that move by themselves move the break; the leader says when they take, lift and let go.',
  },
  'hands-changed-unsaid': {
    label: 'Hands changed without saying so',
    why: 'New hands are on before the old let go only where both have said it.',
  },
  'stop-ignored': { label: 'A stop was ignored', why: 'What stops an application is seen before it begins.' },
} as const
export type CriticalError = keyof typeof criticalErrors
export const criticalIds = Object.keys(criticalErrors) as readonly CriticalError[]

/** A figure that the candidate is asked for. */
export interface AskedFigure {
  /** A decision of the technique. */
  readonly decision: string
  /** In the decision's unit; three times this is worth nothing. Null for the decision's own doubt, else 5 % of the right figure. */
  readonly tolerance: number | null
}

/** A timed skill as its author makes it. */
export interface Station {
  readonly id: string
  readonly name: string
  readonly technique: string
  /** Schools and orders, by option. */
  readonly options: Readonly<Record<string, string | number>>
  readonly patient: PracticePatient
  /** What the candidate is told at the start. */
  readonly given: readonly string[]
  /** What is only told when it is asked for. */
  readonly onAsking: readonly { readonly ask: string; readonly answer: string }[]
  /** What is said by the clock, seconds from the start. */
  readonly prompts: readonly { readonly atS: number; readonly text: string }[]
  readonly limitS: number
  /** Ids of steps without which it is not complete. */
  readonly required: readonly string[]
  readonly criticals: readonly CriticalError[]
  readonly asked: readonly AskedFigure[]
  /** By which rules its runs are scored; absent in stations from before there was more than one. A run keeps those that it began with. */
  readonly rules?: number
}

/**
 * The rules of today. 1: order of what was done, time, what an examiner marked. 2: order and time count for as much as was done of
 * what is required, and what was left undone is critical where it is required.
 */
export const newestRules = 2

/** Ten minutes unless the author says otherwise. */
export const usualLimitS = 600

/** What was seen of a candidate. Times are milliseconds from the start, kept to a tenth of a second. */
export interface StationRun {
  readonly ticks: readonly { readonly stepId: string; readonly atMs: number }[]
  readonly criticals: readonly { readonly id: CriticalError; readonly atMs: number }[]
  readonly answers: readonly { readonly decision: string; readonly given: number | string }[]
  /** When the candidate or the examiner ended it; null while it runs. */
  readonly endedMs: number | null
}

/** A moment as it is kept: to the nearest tenth of a second. */
export function toTenth(ms: number): number {
  return Math.round(ms / 100) * 100
}
