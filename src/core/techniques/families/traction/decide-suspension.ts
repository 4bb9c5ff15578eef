import type { PlanDraft } from '../../../planner/draft'
import { defineDefaults, readDefaults } from '../../../quantities/defaults'
import { legParts, type LegSpan } from '../../../figures/traction/leg-masses'
import { solveRig, type Rig, type RigSolution } from '../../../figures/traction/solve-rig'

export const rigDefaults = defineDefaults('rig', {
  splintKg: { value: 2.5, unit: 'kg', source: 'practice' },
  liftShare: { value: 0.6, unit: 'ratio', source: 'practice', note: 'suspension cords at this share of the inside leg from the hip' },
  pulleyEfficiency: { value: 0.96, unit: 'ratio', source: 'physics' },
  gallowsCm: { value: 90, unit: 'cm', source: 'practice', note: 'overhead bar above the limb; cords hang vertical' },
  pulleys: { value: 2, unit: 'ratio', source: 'practice', note: 'pulleys between the suspension weight and the splint' },
})

/**
 * The rig of a suspended ring splint: leg and splint about the hip, suspension cords vertical at 0.6 of the inside leg
 * whose weight balances them, and the counterweight on the splint's end along the limb (PRECISIONS).
 * @param counterweightKg kg, 0 for none
 */
export function buildRig(draft: PlanDraft, massKg: number, span: LegSpan, splintCm: number, counterweightKg: number): Rig {
  const rig = readDefaults(rigDefaults, draft.ctx.protocol)
  const liftCm = rig.liftShare * span.insideLegCm
  return {
    masses: [
      ...legParts(massKg, span, draft.ctx.protocol).map((part) => ({ massKg: part.massKg, atCm: span.insideLegCm - part.atCm })),
      { massKg: rig.splintKg, atCm: splintCm / 2 },
    ],
    cords: [
      { id: 'suspension', weightKg: null, pulls: [{ at: [liftCm, 0], toward: [liftCm, rig.gallowsCm], pulleys: rig.pulleys }] },
      { id: 'counterweight', weightKg: counterweightKg, pulls: [{ at: [splintCm, 0], toward: [splintCm + 60, 0], pulleys: 1 }] },
    ],
    efficiency: rig.pulleyEfficiency,
  }
}

/** Solves that rig; it always has one unknown with an arm about the hip. */
export function solveSuspension(
  draft: PlanDraft,
  massKg: number,
  span: LegSpan,
  splintCm: number,
  counterweightKg: number,
): RigSolution | null {
  return solveRig(buildRig(draft, massKg, span, splintCm, counterweightKg))
}
