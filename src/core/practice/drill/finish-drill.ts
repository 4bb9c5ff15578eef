import type { Protocol } from '../../quantities/defaults'
import { startDrill } from './drill'
import type { DrillState, Move } from './drill-state'
import type { Night } from './nights'
import { playNight } from './players'
import { scoreDrill, type DrillScore } from './score-drill'

/** How a night ended, beside what two computed players made of the same night. */
export interface DrillOutcome {
  readonly score: DrillScore
  readonly byList: DrillScore
  readonly perfect: DrillScore
}

/**
 * A night as its moves made it, up to its end or to the last of them.
 * @throws RangeError for a move at a bed that there is not
 */
export function replayDrill(
  night: Night,
  seed: string,
  moves: readonly Move[],
  protocol: Protocol,
  untilMin = night.hours * 60,
): DrillState {
  const drill = startDrill(night, seed, protocol, untilMin)
  for (const move of moves) drill.apply(move)
  drill.advanceTo(untilMin)
  return drill.state()
}

/**
 * Scores a night from its moves, with the list's and the perfect player's beside it.
 * @param untilMin where it was ended before the morning: the others are counted to there too
 */
export function finishDrill(
  night: Night,
  seed: string,
  moves: readonly Move[],
  protocol: Protocol,
  untilMin = night.hours * 60,
): DrillOutcome {
  const perfect = playNight('perfect', night, seed, protocol, untilMin).end
  return {
    score: scoreDrill(replayDrill(night, seed, moves, protocol, untilMin), perfect),
    byList: scoreDrill(playNight('by-list', night, seed, protocol, untilMin).end, perfect),
    perfect: scoreDrill(perfect, perfect),
  }
}
