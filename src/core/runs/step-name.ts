import type { Step } from '../model/step'

/** A step in two or three words, for lists and records: its id read aloud. */
export function stepName(step: Pick<Step, 'id'>): string {
  return step.id.replaceAll('-', ' ')
}
