import type { Estimate } from '../../../figures/body/pool-side'
import { completeRig, rigDefaults, type HungLimb, type RigPlan } from '../../../figures/traction/hang-rig'
import { legParts, type LegSpan } from '../../../figures/traction/leg-masses'
import type { RigKind } from '../../../model/rig'
import type { PlanDraft } from '../../../planner/draft'
import { readDefaults } from '../../../quantities/defaults'

/** What the rig of one case is worked out from. */
export interface RigFacts {
  readonly massKg: number
  readonly span: LegSpan
  readonly splintCm: number
  readonly groin: Estimate | null
  /** Strip that holds on the skin, cm; null with a pin. */
  readonly stripCm: number | null
  readonly kind: RigKind
  readonly counterweightKg: number
  readonly pullKg: number
}

/** Leg and splint as they hang, hinged at the groin: the splint at half its length, lifted at 0.6 of the inside leg. */
export function hungLimb(draft: PlanDraft, { massKg, span, splintCm, groin, stripCm }: RigFacts): HungLimb {
  const { splintKg, liftShare } = readDefaults(rigDefaults, draft.ctx.protocol)
  return {
    parts: [
      ...legParts(massKg, span, draft.ctx.protocol).map((part) => ({ massKg: part.massKg, atCm: span.insideLegCm - part.atCm })),
      { massKg: splintKg, atCm: splintCm / 2 },
    ],
    liftAtCm: liftShare * span.insideLegCm,
    patientKg: massKg,
    groinCm: groin?.value ?? null,
    stripCm,
  }
}

/** The rig as it is planned: its geometry as found or usual, its weights as decided. */
export function plannedRig(draft: PlanDraft, facts: RigFacts): RigPlan {
  const found = draft.clinicalCase.rig ?? {}
  const { suspensionKg, counterweightKg, cordPullKg, raiseCm, ...geometry } = found
  void [suspensionKg, counterweightKg, cordPullKg, raiseCm]
  return completeRig(geometry, plannedAs(draft, facts), draft.ctx.protocol)
}

/** What was planned wherever a setting leaves it open. */
export function plannedAs(draft: PlanDraft, facts: RigFacts): Parameters<typeof completeRig>[1] {
  return {
    kind: facts.kind,
    liftAtCm: hungLimb(draft, facts).liftAtCm,
    splintCm: facts.splintCm,
    counterweightKg: facts.counterweightKg,
    cordPullKg: facts.pullKg,
  }
}
