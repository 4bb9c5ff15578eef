import type { RigSetting } from '../../model/rig'

/** The bars of the hanging splint above the bed, cm. */
export const barsAboveBedCm = 22

/** Where the cord runs, every place said. */
export type CordPlaces = Required<Pick<RigSetting, 'kind' | 'beamCm' | 'fixedCm' | 'carriedAtCm' | 'knotCm' | 'onwardCm' | 'dropCm'>>

/** The way of the suspension cord, from the knot to the weight. */
export interface CordRoute {
  /** Its stretches in turn, cm; the last is the drop to the weight. */
  readonly stretchesCm: readonly number[]
  /** The pulley that the weight hangs from, cm footward from the groin. */
  readonly lastCm: number
  /** Wheels that it runs over; each rubs. */
  readonly wheels: number
  /** To cut: all stretches and what the knots take, cm. */
  readonly lengthCm: number
}

/**
 * The way of the cord on this beam: from its knot over the headward pulley, under the carried one, over the footward pulley, on over the
 * remaining ones and down to the weight; a straight cord goes up from the splint, then on.
 * @param rig its places in cm, `fixedCm` from `liftAtCm`, the others from the groin
 * @param liftAtCm the planned place of the carried pulley, cm footward from the groin
 * @param tieCm what the knots take, cm
 * @example knot 0, pulleys 18, 78 and 150, carried 48, beam 100, drop 60, tying 100: 458.8
 */
export function cordRoute(rig: CordPlaces, liftAtCm: number, tieCm: number): CordRoute {
  const isCarried = rig.kind === 'carried-pulley'
  const [head, foot] = [liftAtCm + rig.fixedCm[0], liftAtCm + rig.fixedCm[1]]
  const onBeam = [isCarried ? foot : rig.carriedAtCm, ...rig.onwardCm]
  const up = isCarried
    ? [Math.abs(head - rig.knotCm), Math.hypot(rig.carriedAtCm - head, rig.beamCm), Math.hypot(foot - rig.carriedAtCm, rig.beamCm)]
    : [rig.beamCm]
  const along = onBeam.slice(1).map((at, index) => Math.abs(at - (onBeam[index] ?? at)))
  const stretchesCm = [...up, ...along, rig.dropCm]
  return {
    stretchesCm,
    lastCm: onBeam.at(-1) ?? rig.carriedAtCm,
    wheels: (isCarried ? 2 : 0) + onBeam.length,
    lengthCm: stretchesCm.reduce((sum, one) => sum + one, tieCm),
  }
}

/** Where the weight hangs beside leg and bed. */
export interface WeightPlace {
  /** Less than the clearance beyond the splint: what gives falls on the leg. */
  readonly isOverLeg: boolean
  /** Over the bed and less than the clearance above it. */
  readonly isOnBed: boolean
  /** Above the bed, cm; null where it hangs beyond the bed or nobody said where the bed ends. */
  readonly aboveBedCm: number | null
}

/**
 * Whether the weight hangs clear.
 * @param lastCm the pulley that it hangs from, cm footward from the groin
 * @param clearCm least distance from splint and bed, cm
 */
export function weightPlace(
  { beamCm, dropCm, bedEndCm }: Pick<CordPlaces, 'beamCm' | 'dropCm'> & { readonly bedEndCm: number | null },
  lastCm: number,
  splintCm: number,
  clearCm: number,
): WeightPlace {
  const aboveBedCm = bedEndCm !== null && lastCm < bedEndCm ? beamCm + barsAboveBedCm - dropCm : null
  return {
    isOverLeg: lastCm < splintCm + clearCm - 1e-9,
    isOnBed: aboveBedCm !== null && aboveBedCm < clearCm - 1e-9,
    aboveBedCm,
  }
}
