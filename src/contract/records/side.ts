import type { Side } from '#core/model/vocabulary'
import type { Recorded } from './run'

/** Where a device was found to be: on a limb, where it belongs, elsewhere (another part or patient), or not on yet. */
export const foundOn = ['left', 'right', 'here', 'elsewhere', 'nowhere'] as const
export type FoundOn = (typeof foundOn)[number]

/** Which limb it is on, as somebody looked. */
export interface SideAnsweredBody {
  readonly on: FoundOn
  /** The limb that is hurt, as that person knows it; null for what has no side. */
  readonly hurt: Side | null
}

export interface SideAnswer extends SideAnsweredBody, Recorded {
  /** A slip, taken back. */
  readonly undone?: Recorded
}

/** For so long an answer, or a trouble, counts as a slip that is taken back. */
export const slipMs = 10_000

/** What an answer says of where the device is. */
export function verdictOf({ on, hurt }: SideAnsweredBody): 'right' | 'wrong' | 'nowhere' {
  if (on === 'nowhere') return 'nowhere'
  return on === 'here' || on === hurt ? 'right' : 'wrong'
}
