import type { HandOverLine } from '../views/hand-over'

/** Answer of GET /api/hand-over: live cases of the places asked for, the worst first. */
export interface HandOverAnswer {
  readonly lines: readonly HandOverLine[]
  readonly now: string
}
