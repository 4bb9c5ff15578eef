/** For a step: what must be done before it, and what comes of it otherwise. */
export interface StepMust {
  readonly before: string
  readonly harm: string
}
