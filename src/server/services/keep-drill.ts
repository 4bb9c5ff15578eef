import type { DrillPost } from '#contract/api/practice'
import type { DrillOutcome } from '#core/practice/drill/finish-drill'
import { findNight } from '#core/practice/drill/nights'
import { ApiError, invalidInput } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { PracticeDrills } from '../repositories/practice-drills'
import type { WorkerPool } from '../workers/pool'
import pLimit from 'p-limit'

/** Waiting for its turn included. */
const playMs = 20_000
/** So many nights wait to be scored; more are kept by the page, which asks again. */
const mostWaiting = 40

export interface DrillKeeper {
  readonly keep: (id: string, post: DrillPost, person: string) => Promise<DrillOutcome>
}

/** Keeps nights of the drill: the score is worked out here from what was done, never taken from a page. */
export function createDrillKeeper(deps: {
  readonly drills: PracticeDrills
  readonly pool: WorkerPool
  readonly clock: Clock
}): DrillKeeper {
  // One at a time: the other threads stay with the patients.
  const inTurn = pLimit(1)
  return {
    async keep(id, post, person) {
      const night = findNight(post.night)
      const strange = post.moves.findIndex((move) => move.bed > (night?.beds ?? 0))
      if (!night || strange >= 0)
        throw invalidInput([
          { code: 'format', path: `moves/${strange}/bed`, message: `bed is none of this night: choose one of 1 to ${night?.beds ?? 0}.` },
        ])
      if (inTurn.pendingCount >= mostWaiting)
        throw new ApiError(503, 'unavailable', 'Many nights of the drill end at once: yours is scored in a moment.', { retryAfterS: 5 })
      const { seed, moves, endedAtMin } = post
      const outcome = await inTurn(() => deps.pool.run('finishDrill', { night, seed, moves, endedAtMin }, playMs))
      await deps.drills.keep(id, person, new Date(deps.clock()), post, outcome)
      return outcome
    },
  }
}
