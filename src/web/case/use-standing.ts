import { useMemo } from 'react'
import type { Standing } from '#core/model/standing'
import { inUnits } from '#core/quantities/words-in-units'
import { standingOf } from '#contract/views/standing-of-case'
import type { OpenCase } from '../sync/case-store'
import { useSettings } from '../sync/session-store'
import { serverNow } from '../sync/server-clock'
import { useNow } from '../sync/use-now'
import { usePeopleHere } from './people-here'
import { usePlan } from './use-plan'

/** What stands about the open case now: read by strip, stages and sheets, and worked out by none of them. */
export function useStanding(open: OpenCase): Standing {
  const { cautions } = usePlan(open)
  const { units } = useSettings()
  const now = useNow(5_000)
  const { record, episode } = open
  const people = usePeopleHere((state) => state[record.id])
  return useMemo(
    () => inUnits(standingOf(record, episode, { cautions }, serverNow(), people), units),
    // `now` moves it on by itself; what was just entered is never later than the clock it is read by.
    // oxlint-disable-next-line react/exhaustive-deps
    [record, episode, cautions, now, units, people],
  )
}
