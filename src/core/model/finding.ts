import type { Side } from './vocabulary'

export const levels = ['none', 'known', 'warn', 'review', 'urgent'] as const
export type Level = (typeof levels)[number]

export interface Finding {
  /** The limb or block that it belongs to: `leg-left`, `neck`, … */
  readonly part: string
  /** What was looked at: `pulse`, `feeling/tibial`, … */
  readonly item: string
  readonly side: Side | null
  readonly level: Level
  readonly code: string
  /** In words, for people. */
  readonly text: string
}

/** The worse of two levels. */
export function worse(a: Level, b: Level): Level {
  return levels.indexOf(a) >= levels.indexOf(b) ? a : b
}
