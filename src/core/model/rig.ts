export const rigKinds = ['carried-pulley', 'straight-cord'] as const
/** Further pulleys that a beam carries, at most. */
export const mostOnwardPulleys = 3
export type RigKind = (typeof rigKinds)[number]

/** How a bed is built: of a setting what no weight changes. */
export type BuiltRig = Pick<RigSetting, 'beamCm' | 'fixedCm' | 'carriedAtCm' | 'knotCm' | 'onwardCm' | 'dropCm' | 'bedEndCm'>

/** The rig of a suspended splint as it is found or tried; whatever is left out is as planned. */
export interface RigSetting {
  readonly kind?: RigKind
  /** Beam above the splint's bar, cm. */
  readonly beamCm?: number
  /** Fixed pulleys on the beam, cm from the planned place of the carried one, the headward first. */
  readonly fixedCm?: readonly [number, number]
  /** The carried pulley, cm footward from the groin along the splint. */
  readonly carriedAtCm?: number
  /** Where the cord is tied to the beam, cm footward from the groin; below 0 headward. */
  readonly knotCm?: number
  /** Further pulleys on this beam, cm footward from the groin, in turn; the weight hangs from the last. */
  readonly onwardCm?: readonly number[]
  /** The weight below the pulley that it hangs from, cm. */
  readonly dropCm?: number
  /** The foot end of the bed, cm from the groin. */
  readonly bedEndCm?: number
  readonly suspensionKg?: number
  readonly counterweightKg?: number
  /** Pull tied into the cord, kg. */
  readonly cordPullKg?: number
  /** Foot end of the bed above its head end, cm. */
  readonly raiseCm?: number
  readonly wheelbaseCm?: number
  /** Between patient and bed. */
  readonly friction?: number
  /** Efficiency of one pulley. */
  readonly eta?: number
}
