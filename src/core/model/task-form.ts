/** What an answer that is not well is worth until the same look is well again. */
export type AnswerLevel = 'warn' | 'review'

export interface TaskChoice {
  readonly value: string
  readonly label: string
  /** Left out where it is well. */
  readonly level?: AnswerLevel
}

/** One thing to say when owed work is done. */
export type TaskAsk =
  | { readonly kind: 'choice'; readonly id: string; readonly label: string; readonly choices: readonly TaskChoice[] }
  | {
      readonly kind: 'figure'
      readonly id: string
      readonly label: string
      readonly unit: string
      readonly least: number
      readonly greatest: number
    }
  | { readonly kind: 'words'; readonly id: string; readonly label: string }
  /** A measurement of the technique, kept as a reading: what it brings is the plan's to say. */
  | { readonly kind: 'reading'; readonly id: string; readonly label: string; readonly wanted: string; readonly side?: 'left' | 'right' }

/** The form of one kind of work. */
export type TaskForm = readonly TaskAsk[]

/** Skin of one area as it is judged where no measurement of the technique says it. */
export function skinOf(id: string, label: string): TaskAsk {
  return {
    kind: 'choice',
    id,
    label: `Skin, ${label}`,
    choices: [
      { value: 'intact', label: 'intact' },
      { value: 'reddens-and-blanches', label: 'red, blanches', level: 'warn' },
      { value: 'red-not-blanching', label: 'red, does not blanch', level: 'review' },
      { value: 'broken', label: 'broken', level: 'review' },
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
