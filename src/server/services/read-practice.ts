import type { SittingLine } from '#contract/api/practice'
import type { DrillResult, PracticePerson, Sitting } from '#contract/records/practice'
import { groupOverview, type ScoredSitting } from '#ward/practice/group-overview'
import type { GroupOverview } from '#contract/api/practice-overview'
import { timeBands } from '#ward/practice/others-times'
import type { StepBand } from '#contract/api/practice-overview'
import { practiceProgress } from '#ward/practice/practice-progress'
import type { Progress } from '#contract/api/practice-overview'
import { isOver } from '#ward/practice/sitting-seen'
import { sheetsOf, type SittingSheets } from '#ward/practice/sitting-sheets'
import type { Clock } from '../ground/clock'
import type { PracticeDrills } from '../repositories/practice-drills'
import type { PracticeSittings } from '../repositories/practice-sittings'
import type { StationPlans } from './station-plans'

/** So many of somebody's sittings make their progress. */
const mostOfOne = 300
const mostOfGroup = 2_000
/** So many others make the band of times. */
const mostOthers = 200

const nothing: SittingSheets = { sheets: [], agreement: null, result: null }

/** Reads what was done in practice: sheets, lists, progress, groups. Every score is worked out from its marks. */
export function createPracticeReader(deps: {
  readonly sittings: PracticeSittings
  readonly drills: PracticeDrills
  readonly plans: StationPlans
  readonly clock: Clock
}) {
  const { sittings, drills, plans, clock } = deps

  function sheets(sitting: Sitting): SittingSheets {
    const plan = plans(sitting.station)
    return plan ? sheetsOf(sitting, plan, clock()) : nothing
  }

  /** A sitting that is over, scored; for the person whose progress it is. */
  function scored(sitting: Sitting): ScoredSitting | null {
    const { sheets: all, result, agreement } = sheets(sitting)
    const [first] = all
    if (!result || !first || !isOver(sitting, clock())) return null
    return {
      id: sitting.id,
      stationId: sitting.station.id,
      stationName: sitting.station.name,
      technique: sitting.station.technique,
      way: sitting.way,
      at: sitting.begunAt,
      total: result.total,
      hasPassed: result.hasPassed,
      score: first.score,
      seen: agreement?.seen ?? [],
    }
  }

  function progress(
    person: string,
    all: readonly Sitting[],
    drills: readonly DrillResult[],
    live: ReadonlyMap<string, Readonly<Record<string, number>>>,
  ): Progress {
    const own = all
      .filter((sitting) => sitting.candidates.some((candidate) => candidate.id === person))
      .flatMap((sitting) => scored(sitting) ?? [])
    return practiceProgress(
      own.map(({ id, stationName, technique, way, at, total, hasPassed }) => ({
        id,
        stationName,
        technique,
        way,
        at,
        total,
        hasPassed,
      })),
      drills.filter((drill) => drill.person.id === person),
      live.get(person) ?? {},
    )
  }

  return {
    sheets,
    line(sitting: Sitting): SittingLine {
      const { result } = sheets(sitting)
      return {
        id: sitting.id,
        way: sitting.way,
        stationName: sitting.station.name,
        technique: sitting.station.technique,
        candidates: sitting.candidates.map(({ id, name }) => ({ id, name })),
        examiners: sitting.examiners.map(({ id, name }) => ({ id, name })),
        begunAt: sitting.begunAt,
        result: result && isOver(sitting, clock()) ? { total: result.total, hasPassed: result.hasPassed } : null,
      }
    },
    /** How long others took for the same station. */
    async bands({ station, candidates }: Sitting): Promise<readonly StepBand[]> {
      const own = new Set(candidates.map((candidate) => candidate.id))
      const all = await sittings.list({ stationId: station.id, most: mostOthers })
      const others = all.filter((sitting) => !sitting.candidates.some((candidate) => own.has(candidate.id)))
      return timeBands(others.flatMap((other) => scored(other)?.score ?? []))
    },
    async practiceProgress(person: string): Promise<Progress> {
      const [all, nights, live] = await Promise.all([
        sittings.list({ people: [person], most: mostOfOne }),
        drills.of([person]),
        sittings.supervised([person]),
      ])
      return progress(person, all, nights, live)
    },
    async overview(members: readonly PracticePerson[]): Promise<GroupOverview> {
      const ids = members.map((member) => member.id)
      const [all, nights, live] = await Promise.all([
        sittings.list({ people: ids, most: mostOfGroup }),
        drills.of(ids),
        sittings.supervised(ids),
      ])
      return groupOverview(
        members.map((member) => ({ ...member, progress: progress(member.id, all, nights, live) })),
        all.flatMap((sitting) => scored(sitting) ?? []),
      )
    },
  }
}

export type PracticeReader = ReturnType<typeof createPracticeReader>
