import type { Side } from '#core/model/vocabulary'
import type { DisplayUnits } from '#core/planner/format-decision'
import type { Geometry } from '#core/model/geometry'
import type { LimbFinding } from '#core/standing/findings-on-limb'
import type { WetPart } from '#core/runs/wet-now'
import type { LaneHand } from './kit/lane-hand'

/** What a stage lays over the drawing. */
export type LaneLayer = 'readings' | 'padding' | 'bandage' | 'slab' | 'points' | 'sheet'

export interface LaneProps {
  readonly geometry: Geometry
  /** The pull from the side is drawn elsewhere on the page. */
  readonly isSceneElsewhere?: boolean
  /** On a phone a strip over the work, so that the work is in the first screen. */
  readonly isStrip?: boolean
  /** What is wet, part by part. */
  readonly wet?: readonly WetPart[] | undefined
  readonly units: DisplayUnits
  readonly layers: readonly LaneLayer[]
  /** Ids of bands that are not on yet: faint where they are lit, and else not drawn. */
  readonly off?: readonly string[] | undefined
  /** Ids of places to light: what is being measured, where the step is. */
  readonly lit?: readonly string[]
  /** The side drawn, when it is not the injured one. */
  readonly drawnSide?: Side | undefined
  /** What is said at a girth, by station: never by tone alone. */
  readonly notes?: Readonly<Record<string, { readonly words: string; readonly tone: 'calm' | 'caution' | 'stop' }>> | undefined
  /** Hands at work, and those that wait. */
  readonly hands?: readonly LaneHand[] | undefined
  /** What stands, at the places where it was found. */
  readonly findings?: readonly LimbFinding[] | undefined
  /** Places in hand: lit, whatever stands there. */
  readonly sitesInHand?: readonly LimbFinding['site'][] | undefined
  readonly onFinding?: ((finding: LimbFinding) => void) | undefined
  readonly onPick?: ((id: string) => void) | undefined
  /** A tap on the limb: how far along its axis, cm. */
  readonly onLevel?: ((cm: number) => void) | undefined
}
