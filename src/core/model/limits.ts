/** The least and the greatest that a figure may be. */
export interface Limits {
  readonly least: number
  readonly greatest: number
}

/**
 * Limits of every figure that a person enters beside readings, in the unit of its name: what lies outside is a slip of the hand, not a
 * patient. Files, events, fields and published schemas read them here.
 */
export const limits = {
  ageYears: { least: 0, greatest: 130 },
  heightCm: { least: 30, greatest: 260 },
  massKg: { least: 0.3, greatest: 650 },
  /** Along the limb from its distal end. */
  levelCm: { least: 0, greatest: 250 },
  /** Breadth of one finger. */
  breadthCm: { least: 0.8, greatest: 3.5 },
  /** Of a photo's scale bar from the plane of what is measured. */
  planeCm: { least: 0, greatest: 40 },
  people: { least: 1, greatest: 12 },
  waterC: { least: 0, greatest: 60 },
  roomC: { least: -30, greatest: 55 },
  packSetMin: { least: 0.5, greatest: 60 },
  stretcherCm: { least: 100, greatest: 300 },
  wearDays: { least: 0, greatest: 365 },
  /** Week of treatment. */
  week: { least: 0, greatest: 520 },
  wedges: { least: 0, greatest: 10 },
  /** Degrees of bend at which a brace stops. */
  stopDeg: { least: -10, greatest: 140 },
  /** Of a cast that is on. */
  deviceLayers: { least: 1, greatest: 60 },
  devicePaddingLayers: { least: 0, greatest: 20 },
  deviceTopCm: { least: 5, greatest: 120 },
  deviceMinutes: { least: 0, greatest: 1_000_000 },
  /** Of the rig of a suspended splint. */
  rigBeamCm: { least: 20, greatest: 250 },
  rigFixedCm: { least: -150, greatest: 150 },
  rigKnotCm: { least: -100, greatest: 100 },
  rigOnwardCm: { least: 0, greatest: 300 },
  rigDropCm: { least: 5, greatest: 200 },
  rigBedEndCm: { least: 40, greatest: 250 },
  rigCarriedAtCm: { least: 5, greatest: 150 },
  rigKg: { least: 0, greatest: 30 },
  rigRaiseCm: { least: 0, greatest: 60 },
  rigWheelbaseCm: { least: 80, greatest: 300 },
  rigFriction: { least: 0, greatest: 1 },
  rigEta: { least: 0.5, greatest: 1 },
} as const satisfies Record<string, Limits>
