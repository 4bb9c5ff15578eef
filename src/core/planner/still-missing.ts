import type { Plan } from '../model/plan'
import type { Problem } from '../model/problem'

/** A figure of the patient that a plan may turn on. */
export const patientFigures = ['massKg', 'heightCm', 'ageYears'] as const
export type PatientFigure = (typeof patientFigures)[number]

/** What a plan waits for before it can be sized. */
export interface StillMissing {
  /** Ids of readings, whether they are usually asked or not. */
  readonly readings: ReadonlySet<string>
  readonly figures: readonly PatientFigure[]
  /** What is said of each, by its path. */
  readonly messages: Readonly<Record<string, string>>
}

/**
 * What a plan still misses, for whoever measures: "all is read" is true where this is empty, and nowhere else.
 * @param plan as it stands, without what is only being typed
 */
export function stillMissing({ problems }: Pick<Plan, 'problems'>): StillMissing {
  const missing = problems.filter(({ code }) => code === 'missing')
  const ids = (group: string): readonly string[] =>
    missing.flatMap(({ path }) => (path.startsWith(`${group}/`) ? [path.slice(group.length + 1).split('/')[0] ?? ''] : []))
  const named = ids('patient')
  return {
    readings: new Set(ids('measurements')),
    figures: patientFigures.filter((figure) => named.includes(figure)),
    messages: Object.fromEntries(missing.map(({ path, message }: Problem) => [path, message])),
  }
}
