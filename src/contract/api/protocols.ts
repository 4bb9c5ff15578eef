/** What a protocol would change of one live case. */
export interface CaseEffect {
  readonly caseId: string
  readonly patient: string
  readonly place: string
  readonly techniqueName: string
  /** The version of the protocol that it goes by, in words. */
  readonly from: string
  /** Where its stream stands, for moving it. */
  readonly caseVersion: number
  /** In words; empty where nothing would change. */
  readonly words: readonly string[]
}

export interface EffectsAnswer {
  readonly cases: readonly CaseEffect[]
  readonly now: string
}
