import type { Held } from '#core/model/danger'
import type { Situation } from '#core/standing/what-now'

/** A device that holds something, on the left leg where it is a limb's; two people, the patient lying. */
export function wearing(holds: Held, change: Partial<Situation> = {}): Situation {
  const isOfLimb = holds === 'break' || holds === 'pull'
  return {
    on: { holds, part: isOfLimb ? 'leg-left' : null, isWarm: false },
    people: 2,
    posture: 'lying',
    column: holds === 'head' ? 'neck' : holds === 'spine' ? 'spine' : null,
    isStiff: false,
    isChild: false,
    ...change,
  }
}
