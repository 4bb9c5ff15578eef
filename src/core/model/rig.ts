export const rigKinds = ['carried-pulley', 'straight-cord'] as const
export type RigKind = (typeof rigKinds)[number]

/** The rig of a suspended splint as it is found or tried; whatever is left out is as planned. */
export interface RigSetting {
  readonly kind?: RigKind
  /** Beam above the splint's bar, cm. */
  readonly beamCm?: number
  /** Fixed pulleys on the beam, cm from the planned place of the carried one, the headward first. */
  readonly fixedCm?: readonly [number, number]
  /** The carried pulley, cm footward from the groin along the splint. */
  readonly carriedAtCm?: number
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
