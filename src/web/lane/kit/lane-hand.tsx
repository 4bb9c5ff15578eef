import type { HandGrip } from '#core/model/step'
import type { LanePlace } from '#core/scene/grip-places'
import type { Point } from '#core/drawing/points'

/** A pair of hands laid over the drawing. */
export interface LaneHand {
  readonly place: HandGrip
  /** Whose they are, or where they go. */
  readonly label: string
  /** Whether they are at work in this step. */
  readonly isActive: boolean
  /** Where they lie in this step, when its scene says so. */
  readonly on?: LanePlace
}

/** An open hand, our own drawing, filled while it is at work; its name is a label of the frame. `at` in pixels. */
export function HandMark({
  isActive,
  at: [x, y],
  sizePx = 30,
  isMirrored = false,
}: {
  isActive: boolean
  at: Point
  sizePx?: number
  /** The other hand of a pair. */
  isMirrored?: boolean
}) {
  const scale = sizePx / 4.2
  return (
    <path
      transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) scale(${(isMirrored ? -scale : scale).toFixed(2)} ${scale.toFixed(2)})`}
      d="M-1.1 1.6 Q-1.5 .3 -1.7 -.5 Q-1.7 -.9 -1.35 -.85 Q-1.1 -.75 -.95 -.1 L-.85 -1.7 Q-.8 -2.05 -.5 -2 Q-.25 -1.95 -.25 -1.6 L-.2 -2.1 Q-.15 -2.45 .15 -2.4 Q.4 -2.35 .4 -2 L.45 -1.75 Q.5 -2.05 .75 -2 Q1 -1.95 1 -1.6 L1.05 -1.1 Q1.1 -1.4 1.35 -1.3 Q1.6 -1.2 1.55 -.8 Q1.5 .6 1 1.6 Z"
      fill={isActive ? 'var(--citrus)' : 'var(--sheet)'}
      stroke="var(--ink)"
      strokeWidth="0.22"
      strokeLinejoin="round"
      opacity={isActive ? 1 : 0.8}
    />
  )
}
