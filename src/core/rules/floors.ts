import type { Caution } from '../model/plan'

/** Floors that are stops wherever they stand, so that their code alone says it. */
const alwaysStops: readonly string[] = ['front-gap', 'hot-water']

/** Stops that are floors of safety: nobody sets them aside (SAFETY, the figures marked as floors). */
const floors: readonly string[] = [
  ...alwaysStops,
  'over-skin-cap',
  'over-hitch-cap',
  'no-countertraction',
  'strap-on-break',
  'ring-pressure',
  'weight-over-leg',
  'pulse-absent',
]

/** Whether a caution is a floor of safety. */
export function isFloor(caution: Pick<Caution, 'code' | 'level'>): boolean {
  return caution.level === 'stop' && floors.includes(caution.code)
}

/** Whether a caution is a floor by its code alone, wherever it stands. */
export function isAlwaysFloor(code: string): boolean {
  return alwaysStops.includes(code)
}
