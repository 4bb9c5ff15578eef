import type { Caution } from '../model/plan'

/** Stops that are floors of safety: nobody sets them aside (SAFETY, the figures marked as floors). */
const floors: readonly string[] = [
  'over-skin-cap',
  'over-hitch-cap',
  'no-countertraction',
  'strap-on-break',
  'front-gap',
  'ring-pressure',
  'hot-water',
  'pulse-absent',
]

/** Whether a caution is a floor of safety. */
export function isFloor(caution: Pick<Caution, 'code' | 'level'>): boolean {
  return caution.level === 'stop' && floors.includes(caution.code)
}
