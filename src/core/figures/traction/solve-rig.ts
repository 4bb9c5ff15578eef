import { gravity } from './leg-masses'
import { solveLinear } from './solve-linear'

export type Point = readonly [number, number]

/** One stretch of cord that pulls the splint: from a point on it toward a point off it. */
export interface RigPull {
  /** Where it holds the splint, cm: x footward from the hip, y up. A carried pulley has two pulls at one point. */
  readonly at: Point
  /** The fixed pulley or hook that it runs to, cm. */
  readonly toward: Point
  /** Fixed and carried pulleys between the weight and this stretch. */
  readonly pulleys: number
}

/** A cord over pulleys to a hanging weight. */
export interface RigCord {
  readonly id: string
  /** Hanging weight, kg; null for the one that is to balance the limb. */
  readonly weightKg: number | null
  readonly pulls: readonly RigPull[]
}

export interface Rig {
  /** What lies on the splint, the splint included: mass in kg, at cm footward from the hip. */
  readonly masses: readonly { readonly massKg: number; readonly atCm: number }[]
  readonly cords: readonly RigCord[]
  /** Efficiency of one pulley, 0 to 1. */
  readonly efficiency: number
}

export interface RigSolution {
  /** Tension in each cord as the weight gives it, N, with the band that pulley friction leaves. */
  readonly tensions: readonly {
    readonly id: string
    readonly weightKg: number
    readonly tensionN: number
    readonly bandN: readonly [number, number]
  }[]
  /** Upward pull of all cords, N. */
  readonly liftN: number
  /** Footward pull of all cords, N. */
  readonly axialN: number
  /** Moment about the hip that nothing balances, N·cm; positive lifts the foot. 0 when a weight was solved for. */
  readonly momentNcm: number
  /** Share of the weight that the hip carries. */
  readonly hipShare: number
  /** For each cord, the weight that alone would bring the moment to nought; only those that can (0 kg or more). */
  readonly restoring: readonly { readonly id: string; readonly weightKg: number }[]
}

/**
 * Solves a suspended splint in the vertical plane through the limb (statics): hip reaction and at most one unknown
 * weight from the balance of forces and of moments about the hip.
 * @returns null when the unknown weight has no arm about the hip, or when more than one weight is unknown
 */
export function solveRig(rig: Rig): RigSolution | null {
  const unknown = rig.cords.filter((cord) => cord.weightKg === null)
  if (unknown.length > 1) return null
  const perKg = rig.cords.map((cord) => ({ cord, ...pullOf(cord) }))
  const weightN = rig.masses.reduce((sum, one) => sum + gravity * one.massKg, 0)
  const weightMoment = rig.masses.reduce((sum, one) => sum - gravity * one.massKg * one.atCm, 0)
  const known = perKg.filter((one) => one.cord.weightKg !== null)
  const total = (pick: 'fx' | 'fy' | 'moment'): number => known.reduce((sum, one) => sum + (one.cord.weightKg ?? 0) * one[pick], 0)
  const free = perKg.find((one) => one.cord.weightKg === null)
  // Unknowns: hip reaction along and across the limb, and the free weight.
  const solved = free
    ? solveLinear([
        [1, 0, free.fx, -total('fx')],
        [0, 1, free.fy, weightN - total('fy')],
        [0, 0, free.moment, -weightMoment - total('moment')],
      ])
    : [-total('fx'), weightN - total('fy'), 0]
  if (!solved) return null
  const [, hipY = 0, freeKg = 0] = solved
  const weightOf = (cord: RigCord): number => cord.weightKg ?? freeKg
  const momentNcm = weightMoment + perKg.reduce((sum, one) => sum + weightOf(one.cord) * one.moment, 0)
  return {
    tensions: rig.cords.map((cord) => {
      const tensionN = gravity * weightOf(cord)
      const most = Math.max(0, ...cord.pulls.map((pull) => pull.pulleys))
      const loss = rig.efficiency ** most
      return { id: cord.id, weightKg: weightOf(cord), tensionN, bandN: [tensionN * loss, tensionN / loss] as const }
    }),
    liftN: perKg.reduce((sum, one) => sum + weightOf(one.cord) * one.fy, 0),
    axialN: perKg.reduce((sum, one) => sum + weightOf(one.cord) * one.fx, 0),
    momentNcm: Math.abs(momentNcm) < 1e-6 ? 0 : momentNcm,
    hipShare: weightN > 0 ? hipY / weightN : 0,
    restoring: perKg.flatMap((one) => {
      if (Math.abs(one.moment) < 1e-9) return []
      const weightKg = weightOf(one.cord) - momentNcm / one.moment
      return weightKg >= -1e-9 ? [{ id: one.cord.id, weightKg: Math.max(0, weightKg) }] : []
    }),
  }
}

/** Force and moment about the hip that one kilogram on this cord gives, N and N·cm. */
function pullOf(cord: RigCord): { fx: number; fy: number; moment: number } {
  let [fx, fy, moment] = [0, 0, 0]
  for (const { at, toward } of cord.pulls) {
    const [dx, dy] = [toward[0] - at[0], toward[1] - at[1]]
    const length = Math.hypot(dx, dy)
    if (length === 0) continue
    const [x, y] = [(gravity * dx) / length, (gravity * dy) / length]
    fx += x
    fy += y
    moment += at[0] * y - at[1] * x
  }
  return { fx, fy, moment }
}
