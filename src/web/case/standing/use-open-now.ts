import { useNavigate } from 'react-router'
import { v7 as uuidv7 } from 'uuid'
import type { ActionId } from '#core/model/action'
import type { StandingAction } from '#core/model/standing'
import { protocolOf } from '#contract/records/case'
import { countingRuns } from '#contract/records/run-kind'
import { openNowRun } from '#ward/case/opening-run'
import { onSinceMs } from '#ward/case/situation-of-case'
import { isInHand } from '#ward/case/work-in-hand'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { serverNow } from '../../sync/server-clock'
import { tabId } from '../../sync/tab-id'
import { browserContext, planInForceNow } from '../plan/use-plan'

/** Opening at once, as one button begins it or goes on with it. */
export interface OpenNow {
  /** It was begun, and is not ended. */
  readonly isBegun: boolean
  readonly begin: () => void
}

/** The actions by which something is opened or eased, the one that the button stands in first. */
const opening: readonly ActionId[] = ['call-and-open', 'open-collar-held', 'open-front', 'ease-pull', 'open-to-skin']

/** The action whose line has the button; null where nothing is opened. */
export function openingIn(actions: readonly StandingAction[]): ActionId | null {
  return opening.find((id) => actions.some((action) => action.id === id && action.response === null)) ?? null
}

/** Opening what is on at once; null where nothing is on. Works without a line: the run brings its plan. */
export function useOpenNow(open: OpenCase): OpenNow | null {
  const navigate = useNavigate()
  const { record, episode } = open
  if (onSinceMs(record) === null || record.removedAt !== null || record.ended) return null
  const now = serverNow()
  const last = countingRuns(record).at(-1)
  const isBegun = last?.isOpenNow === true && isInHand(record, last, now)
  const begin = (): void => {
    const run = isBegun
      ? null
      : openNowRun(record, episode, planInForceNow(open), new Date(now).toISOString(), browserContext(protocolOf(record)))
    if (run) {
      const runId = uuidv7()
      void writeEvent('run-started', { runId, device: tabId(), ...run })
    }
    void navigate(`/case/${record.id}/apply`)
  }
  return { isBegun, begin }
}
