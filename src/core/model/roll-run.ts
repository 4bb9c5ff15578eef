/**
 * One straight way of a roll along the limb, or its turns round a joint: a roll that turns back, or goes round a joint, has several of
 * one id. From the first `fromCm` to the last `toCm` they are the roll as it is laid.
 */
export interface RollRun {
  /** The step that lays the roll, `roll-4`. */
  readonly id: string
  readonly axis: 'foot' | 'leg'
  /** Where it begins and ends on its axis, cm; downward where `toCm` is the less. */
  readonly fromCm: number
  readonly toCm: number
  /** Layers that it leaves between the two; those of turns come on top. */
  readonly layers: number
  /** Turns that go nowhere. */
  readonly turnsAt: readonly { readonly station: string; readonly turns: number }[]
  /** Length of the roll that it takes, cm as on the pack. */
  readonly lengthCm: number
  /** Left over when this is the end of the roll, cm as on the pack; 0 elsewhere. */
  readonly restCm: number
}
