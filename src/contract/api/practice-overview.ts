import type { DrillResult, PracticePerson, Sitting, SittingWay } from '../records/practice'

/** How often something went wrong, of how often it could have. */
export interface Failing {
  readonly technique: string
  readonly count: number
  readonly of: number
}

export interface FailingStep extends Failing {
  readonly stepId: string
}

export interface FailingPair extends Failing {
  readonly before: string
  readonly after: string
}

/** How the times of one station lie, seconds. */
export interface TimeSpread {
  readonly stationName: string
  readonly count: number
  readonly leastS: number
  readonly lowS: number
  readonly medianS: number
  readonly highS: number
  readonly mostS: number
}

export interface GroupOverview {
  readonly members: readonly (PracticePerson & { readonly progress: Progress })[]
  readonly steps: readonly FailingStep[]
  readonly pairs: readonly FailingPair[]
  readonly times: readonly TimeSpread[]
  readonly examiners: ExaminerAgreement
}

/** How far two examiners agree, over every sitting that two marked. */
export interface ExaminerAgreement {
  readonly sittings: number
  /** Cohen's kappa over all steps of them; null where nothing differs. */
  readonly kappa: number | null
  /** Steps on which they differ, the most often first. */
  readonly steps: readonly (FailingStep & { readonly kappa: number | null })[]
}

/** A sitting of somebody as far as their progress goes. */
export interface DoneSitting {
  readonly id: string
  readonly stationName: string
  readonly technique: string
  readonly way: SittingWay
  /** ISO 8601 UTC */
  readonly at: string
  readonly total: number
  readonly hasPassed: boolean
}

/** What somebody has done of one technique, and when it is due again. */
export interface TechniqueProgress {
  readonly technique: string
  readonly count: number
  readonly passed: number
  readonly best: number
  readonly last: DoneSitting
  /** ISO 8601 UTC: when what was learnt is likely to be going. */
  readonly dueAt: string
  /** Cases in which they applied it to a patient and a clinician put their name beside it. */
  readonly live: number
}

export interface Progress {
  /** What is due first comes first. */
  readonly techniques: readonly TechniqueProgress[]
  /** Newest first. */
  readonly sittings: readonly DoneSitting[]
  readonly drills: readonly DrillResult[]
  /** Techniques applied under supervision only, without a station. */
  readonly liveOnly: readonly { readonly technique: string; readonly live: number }[]
}

/** How long others took for a step: the middle half of them, and the middle one, ms. */
export interface StepBand {
  readonly stepId: string
  readonly lowMs: number
  readonly medianMs: number
  readonly highMs: number
}

/** A sitting as somebody may see it. */
export interface SeenSitting {
  readonly sitting: Sitting
  readonly isEnded: boolean
  /** The asker is one of those who are looked at. */
  readonly isCandidate: boolean
  /** Questions that were asked and answered, by index. */
  readonly told: readonly number[]
}
