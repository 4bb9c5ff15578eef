import { barsAboveBedCm, cordRoute } from '../../../figures/traction/cord-route'
import type { RigPlan, RigState } from '../../../figures/traction/hang-rig'
import type { GeometryScene, ScenePoint } from '../../../model/geometry'

export interface RigSceneFacts {
  readonly insideLegCm: number
  readonly splintCm: number
  /** Where the fixed pulleys were planned around, cm footward from the groin. */
  readonly liftAtCm: number
  readonly rig: RigPlan
  readonly state: RigState
}

const endPulleyCm = 60
const hangCm = 34
/** Half of a pulley. */
const pulleyCm = 3.4
const beamEndCm = 15

/** The rig of a suspended splint as it is set: what is drawn is what was solved. */
export function rigScene({ insideLegCm, splintCm, liftAtCm, rig, state }: RigSceneFacts): GeometryScene {
  const carried: ScenePoint = [rig.carriedAtCm, 0]
  const [head, foot] = rig.fixedCm.map((at) => liftAtCm + at) as [number, number]
  const beam = rig.beamCm
  const isCarried = state.kind === 'carried-pulley'
  const knotCm = isCarried ? rig.knotCm : carried[0]
  const beamFromCm = Math.min(knotCm, head, carried[0]) - beamEndCm
  const { lastCm } = cordRoute(rig, liftAtCm, 0)
  const beamToCm = Math.max(foot, carried[0], lastCm) + beamEndCm
  const weightAt: ScenePoint = [lastCm, beam - rig.dropCm]
  const onward = rig.onwardCm.map((at): ScenePoint => [at, beam])
  const end: ScenePoint = [splintCm + endPulleyCm, 8]
  const bedToCm = splintCm + (rig.counterweightKg > 0 ? endPulleyCm + 6 : 45)
  const bedAtCm = (atCm: number): number => -barsAboveBedCm + tiltCm(rig, state, atCm + 45)
  const hung: ScenePoint = [end[0] + pulleyCm, end[1] - hangCm]
  const suspension: readonly ScenePoint[] = isCarried
    ? [[knotCm, beam], [head, beam], carried, [foot, beam], ...onward, weightAt]
    : [carried, [carried[0], beam], ...onward, weightAt]
  return {
    limbCm: insideLegCm,
    lines: [
      {
        id: 'bed',
        kind: 'bed',
        label: state.raiseCm > 0 ? `Bed, foot end ${(rig.raiseCm ?? state.raiseCm).toFixed(0)} cm up` : 'Bed, level',
        points: [
          [-45, -barsAboveBedCm],
          [bedToCm, bedAtCm(bedToCm)],
        ],
      },
      {
        id: 'beam',
        kind: 'beam',
        label: `Beam, ${beam.toFixed(0)} cm above the bars`,
        points: [
          [beamFromCm, beam],
          [beamToCm, beam],
        ],
      },
      {
        id: 'bars',
        kind: 'bar',
        label: 'Splint',
        points: [
          [0, 0],
          [splintCm, 0],
        ],
      },
      { id: 'suspension', kind: 'cord', label: 'Suspension cord', points: suspension },
      {
        id: 'pull',
        kind: 'cord',
        label: 'Traction cord',
        points: [
          [insideLegCm + 3, 0],
          [splintCm, 0],
        ],
      },
      ...(rig.counterweightKg > 0
        ? [
            {
              id: 'counterweight',
              kind: 'cord' as const,
              label: 'Counterweight cord',
              // Over the pulley, and plumb from its rim.
              points: [[splintCm, 0], [end[0], end[1] + pulleyCm], [end[0] + pulleyCm, end[1]], hung] as readonly ScenePoint[],
            },
            {
              id: 'post',
              kind: 'bar' as const,
              label: 'Post at the bed end',
              points: [end, [end[0], bedAtCm(end[0])]] as readonly ScenePoint[],
            },
          ]
        : []),
    ],
    rounds: [
      { id: 'ring', kind: 'ring', label: 'Ring', at: [0, 0] },
      ...(isCarried
        ? [
            { id: 'fixed-1', kind: 'fixed-pulley' as const, label: 'Headward pulley', at: [head, beam] as ScenePoint },
            { id: 'carried', kind: 'carried-pulley' as const, label: 'Carried pulley', at: carried },
            { id: 'fixed-2', kind: 'fixed-pulley' as const, label: 'Footward pulley', at: [foot, beam] as ScenePoint },
          ]
        : [{ id: 'fixed-1', kind: 'fixed-pulley' as const, label: 'Pulley above', at: [carried[0], beam] as ScenePoint }]),
      ...onward.map((at, index) => ({ id: `onward-${index + 1}`, kind: 'fixed-pulley' as const, label: 'Pulley beyond the splint', at })),
      ...(rig.counterweightKg > 0 ? [{ id: 'end', kind: 'fixed-pulley' as const, label: 'Pulley at the bed end', at: end }] : []),
    ],
    weights: [
      { id: 'suspension-weight', label: 'Suspension', at: weightAt, kg: state.suspensionKg },
      ...(rig.counterweightKg > 0 ? [{ id: 'counterweight', label: 'Counterweight', at: hung, kg: rig.counterweightKg }] : []),
    ],
    arrows: [
      { id: 'lift', label: 'Lift', at: carried, forceN: [0 - state.sideN, state.liftN] },
      { id: 'hip', label: 'Hip bears', at: [6, 0], forceN: [0, state.hipShareN] },
      { id: 'cord', label: 'Cord', at: [insideLegCm + 3, 0], forceN: [state.cordN, 0] },
      ...(state.ringLoadN > 0.5
        ? [{ id: 'ring', label: 'Ring on the sit bone', at: [0, 0] as ScenePoint, forceN: [-state.ringLoadN, 0] as ScenePoint }]
        : []),
    ],
  }
}

/** How much the bed rises along a stretch of it, cm. */
function tiltCm(rig: RigPlan, state: RigState, lengthCm: number): number {
  return ((rig.raiseCm ?? state.raiseCm) / rig.wheelbaseCm) * lengthCm
}
