/** What must hold; each rule of the scene by its name. */
export type SceneRule =
  | 'uncarried'
  | 'three-hands'
  | 'long-hold'
  | 'grip-under-layer'
  | 'posture'
  | 'not-laid-out'
  | 'not-used'
  | 'bare'
  | 'closed-before-round'
  | 'asked-late'
  | 'too-long'
  | 'still-held'

/** Something in a procedure that hands cannot do, or that hurts. */
export interface SceneFault {
  readonly rule: SceneRule
  readonly step: string
  /** Line id; null where the whole step, or the whole plan, is meant. */
  readonly line: string | null
  readonly text: string
}
