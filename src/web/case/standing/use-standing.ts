import type { Caution } from '#core/model/plan'
import type { Standing } from '#core/model/standing'
import { inUnits, type DisplayUnits } from '#core/quantities/words-in-units'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { standingOf } from '#ward/standing/standing-of-case'
import type { OpenCase } from '../../sync/case-store'
import { useSettings } from '../../sync/session-store'
import { serverNow } from '../../sync/server-clock'
import { useNow } from '../../sync/use-now'
import { askedOnce } from '../readings/asked-once'
import { usePeopleHere } from '../run/people-here'
import { usePlan } from '../plan/use-plan'

const againMs = 5_000

/** What stands is judged once for strip, stage and sheets; the clock moves it on, in steps of a few seconds. */
const standNow = askedOnce<
  [record: CaseRecord, episode: EpisodeRecord, cautions: readonly Caution[], units: DisplayUnits, people: number | undefined, turn: number],
  Standing
>((record, episode, cautions, units, people) =>
  // What was just entered is never later than the clock it is read by.
  inUnits(standingOf(record, episode, { cautions }, serverNow(), people), units),
)

/** What stands about the open case now: read by strip, stages and sheets, and worked out by none of them. */
export function useStanding({ record, episode }: OpenCase): Standing {
  const { cautions } = usePlan({ record, episode })
  const { units } = useSettings()
  const turn = Math.floor(useNow(againMs) / againMs)
  const people = usePeopleHere((state) => state[record.id])
  return standNow(record, episode, cautions, units, people, turn)
}
