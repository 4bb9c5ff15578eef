import type { RigPlan, RigState } from '../../figures/traction/hang-rig'
import { rigDefaults } from '../../figures/traction/hang-rig'
import type { GeometryScene } from '../../model/geometry'
import type { PlanDraft } from '../../planner/draft'
import { readDefaults } from '../../quantities/defaults'
import { rigScene } from '../families/traction/rig-scene'

/** The planned rig as a scene. */
export function suspensionScene(draft: PlanDraft, rig: RigPlan, state: RigState, insideLegCm: number, splintCm: number): GeometryScene {
  const { liftShare } = readDefaults(rigDefaults, draft.ctx.protocol)
  return rigScene({ insideLegCm, splintCm, liftAtCm: liftShare * insideLegCm, rig, state })
}
