import type { Danger } from './danger'

/** What an answer that is not well is worth until the same look is well again. */
export type AnswerLevel = 'warn' | 'review' | 'urgent'

export interface TaskChoice {
  readonly value: string
  readonly label: string
  /** Left out where it is well. */
  readonly level?: AnswerLevel
  /** What danger it is, where it may be an alarm. */
  readonly danger?: Danger
}

/** One thing to say when owed work is done. */
export type TaskAsk =
  | {
      readonly kind: 'choice'
      readonly id: string
      readonly label: string
      readonly choices: readonly TaskChoice[]
      /** The round's item that it asks. */
      readonly item?: string
    }
  | {
      readonly kind: 'figure'
      readonly id: string
      readonly label: string
      readonly unit: string
      readonly least: number
      readonly greatest: number
      /** The plan's decision of what it ought to be: shown beside it, asked for, and judged. */
      readonly planned?: string
    }
  | { readonly kind: 'words'; readonly id: string; readonly label: string }
  /** A measurement of the technique, kept as a reading: what it brings is the plan's to say. */
  | { readonly kind: 'reading'; readonly id: string; readonly label: string; readonly wanted: string; readonly side?: 'left' | 'right' }

/** The form of one kind of work. */
export type TaskForm = readonly TaskAsk[]

/** Skin of one area in the words and at the levels of a round, where no measurement of the technique says it. */
export function skinOf(id: string, label: string): TaskAsk {
  return {
    kind: 'choice',
    id,
    label: `Skin, ${label}`,
    choices: [
      { value: 'intact', label: 'intact' },
      { value: 'reddens-and-blanches', label: 'red, blanches' },
      { value: 'red-not-blanching', label: 'red, does not blanch', level: 'warn', danger: 'point' },
      { value: 'broken', label: 'broken', level: 'urgent', danger: 'skin' },
    ],
  }
}

/**
 * A movement in the words and at the levels of a round.
 * @param item the round's item that it is: `movement/deep-peroneal`
 */
export function movementOf(id: string, label: string, item: string): TaskAsk {
  return {
    kind: 'choice',
    id,
    label,
    item,
    choices: [
      { value: 'full', label: 'full' },
      { value: 'weak', label: 'weak', level: 'urgent', danger: 'limb' },
      { value: 'none', label: 'none', level: 'urgent', danger: 'limb' },
    ],
  }
}

/** A question whose yes is well, and whose no is an alarm of its own. */
export function yesOrDanger(id: string, label: string, danger: Danger): TaskAsk {
  return {
    kind: 'choice',
    id,
    label,
    choices: [
      { value: 'yes', label: 'yes' },
      { value: 'no', label: 'no', level: 'urgent', danger },
    ],
  }
}

/** A question whose yes is well. */
export function yesOf(id: string, label: string, level: AnswerLevel = 'warn'): TaskAsk {
  return {
    kind: 'choice',
    id,
    label,
    choices: [
      { value: 'yes', label: 'yes' },
      { value: 'no', label: 'no', level },
    ],
  }
}
