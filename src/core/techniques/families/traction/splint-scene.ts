import { gravity } from '../../../figures/traction/leg-masses'
import type { GeometryScene, ScenePoint } from '../../../model/geometry'

export interface SplintSceneFacts {
  readonly insideLegCm: number
  /** Bars or pole beyond the heel, cm. */
  readonly beyondCm: number
  /** What it pushes against. */
  readonly top: 'ring' | 'socket'
  readonly topLabel: string
  /** What it pulls by. */
  readonly gripLabel: string
  /** Pull, kg; null before it is decided. */
  readonly pullKg: number | null
}

/** A splint that pulls against itself: its bar, where it holds and pushes, and the two equal forces. */
export function splintScene({ insideLegCm, beyondCm, top, topLabel, gripLabel, pullKg }: SplintSceneFacts): GeometryScene {
  const pullN = gravity * (pullKg ?? 0)
  const grip: ScenePoint = [insideLegCm - 4, 0]
  return {
    limbCm: insideLegCm,
    lines: [
      {
        id: 'ground',
        kind: 'bed',
        label: 'Ground or stretcher',
        points: [
          [-45, -16],
          [insideLegCm + beyondCm + 12, -16],
        ],
      },
      {
        id: 'bars',
        kind: 'bar',
        label: 'Bar',
        points: [
          [0, -3],
          [insideLegCm + beyondCm, -3],
        ],
      },
      { id: 'pull', kind: 'cord', label: 'Pull', points: [grip, [insideLegCm + beyondCm, -3]] },
    ],
    rounds: [
      { id: 'top', kind: top, label: topLabel, at: [0, -3] },
      { id: 'hitch', kind: 'hitch', label: gripLabel, at: grip },
    ],
    weights: [],
    arrows:
      pullN > 0
        ? [
            { id: 'pull', label: 'Pull', at: grip, forceN: [pullN, 0] },
            { id: 'push', label: 'Counter-pull', at: [0, -3], forceN: [-pullN, 0] },
          ]
        : [],
  }
}
