import type { SittingAnswer } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import type { StepBand } from '#contract/api/practice-overview'
import { useAnswer } from '../../../sync/use-answer'

const none: readonly StepBand[] = []

/** How long others took, once the server has the whole of a run. */
export function useRunBands(id: string, isSent: boolean): readonly StepBand[] {
  return useAnswer<SittingAnswer>(isSent ? paths.practiceSitting(id) : null).answer?.bands ?? none
}
