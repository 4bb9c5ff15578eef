import { useMemo } from 'react'
import type { OwnStationsAnswer } from '#contract/api/practice'
import { paths } from '#contract/api/paths'
import type { Plan } from '#core/model/plan'
import { findStation, planOfStation } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import type { Station } from '#core/practice/stations/station'
import { useAnswer } from '../../../sync/use-answer'

/** A station with the plan of its patient: shipped, or made here; null where there is none, undefined until that is known. */
export function usePracticeStation(id: string): { readonly station: Station; readonly plan: Plan } | null | undefined {
  const shipped = useMemo(() => findStation(id, stationContext), [id])
  const { answer, refusal } = useAnswer<OwnStationsAnswer>(shipped ? null : paths.practiceStations)
  const station = shipped ?? answer?.stations.find((one) => one.station.id === id)?.station ?? null
  const plan = useMemo(() => (station ? planOfStation(station, stationContext) : null), [station])
  if (station && plan) return { station, plan }
  return answer || refusal || shipped ? null : undefined
}
