import type { Sequelize } from 'sequelize'
import type { SittingPost } from '#contract/api/practice'
import type { PracticePerson, Sitting } from '#contract/records/practice'
import { hasRight, type Role } from '#contract/rights'
import type { Station } from '#core/practice/stations/station'
import { inTransaction } from '../db/in-transaction'
import { ApiError, invalidInput } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { PeopleRepository } from '../repositories/people'
import type { PracticeSittings } from '../repositories/practice-sittings'
import { stationFrom, type StationPlans } from './station-plans'

/** A tablet may be so long without a line before what it kept arrives. */
const oldestMs = 60 * 86_400_000
/** Clocks differ. */
const soonMs = 5 * 60_000
const mostMarks = 3_000

export interface SittingKeeper {
  readonly keep: (id: string, post: SittingPost, by: PracticePerson & { readonly roles: readonly Role[] }) => Promise<void>
}

/** Keeps what was marked in a run, from as many tablets as there are, in any order, late and again. */
export function createSittingKeeper(deps: {
  readonly db: Sequelize
  readonly sittings: PracticeSittings
  readonly people: PeopleRepository
  readonly plans: StationPlans
  readonly clock: Clock
}): SittingKeeper {
  const { db, sittings, people, plans, clock } = deps
  return {
    async keep(id, post, by) {
      mayKeep(post, by)
      const station = stationFrom(post.station, plans)
      const begunMs = Date.parse(post.begunAt)
      if (begunMs > clock() + soonMs || begunMs < clock() - oldestMs)
        throw invalidInput([
          {
            code: 'clock',
            path: 'begunAt',
            message: 'begunAt is not a moment of the last 60 days: set the clock of the tablet and send it again.',
          },
        ])
      checkMarks(post, station)
      const known = await sittings.find(id)
      if (known && !isSame(known, post, station))
        throw new ApiError(409, 'same-id-other-body', 'Another run is kept under this id: begin a new one.')
      if (!known) await checkCandidates(post)
      if ((await sittings.countMarks(id)) + post.marks.length > mostMarks)
        throw new ApiError(413, 'too-large', `A run takes at most ${mostMarks} marks: end it.`)
      await inTransaction(db, async (transaction) => {
        await sittings.begin(
          { id, way: post.way, station, begunAt: new Date(begunMs), begunBy: by.id, candidates: post.candidates },
          transaction,
        )
        await sittings.add(id, by.id, post.marks, transaction)
      })
    },
  }

  function checkMarks({ marks }: SittingPost, station: Station): void {
    const plan = plans(station)
    const steps = new Set(plan?.procedure.steps.map((step) => step.id))
    const faults = marks.flatMap(({ what }, index) => {
      const at = (field: string, message: string) => [{ code: 'format' as const, path: `marks/${index}/what/${field}`, message }]
      if (what.kind === 'tick' && !steps.has(what.stepId))
        return at('stepId', `${what.stepId} is no step of this station: tick one of its list.`)
      if (what.kind === 'answer' && !station.asked.some((figure) => figure.decision === what.decision))
        return at('decision', `${what.decision} is not asked at this station: answer what is.`)
      if (what.kind === 'told' && !station.onAsking[what.ask])
        return at('ask', 'ask is no question of this station: choose one of its list.')
      if (what.kind === 'critical' && !station.criticals.includes(what.error))
        return at('error', `${what.error} cannot go wrong at this station: mark one of its list.`)
      return []
    })
    if (faults.length > 0) throw invalidInput(faults)
  }

  async function checkCandidates({ candidates }: SittingPost): Promise<void> {
    for (const [index, { id }] of candidates.entries())
      if (!(await people.find(id)))
        throw invalidInput([
          { code: 'not-known', path: `candidates/${index}/id`, message: 'id is nobody who is known here: choose somebody of the list.' },
        ])
  }
}

function mayKeep({ way, candidates }: SittingPost, by: { readonly id: string; readonly roles: readonly Role[] }): void {
  const isCandidate = candidates.some((candidate) => candidate.id === by.id)
  if (way === 'alone') {
    if (isCandidate && candidates.length === 1) return
    throw new ApiError(403, 'no-right', 'Alone is by oneself: only your own run is kept from here.')
  }
  if (isCandidate) throw new ApiError(403, 'no-right', 'Nobody examines themselves: ask somebody else to mark it.')
  if (!hasRight(by.roles, 'decide')) throw new ApiError(403, 'no-right', 'Your role may not examine: ask a clinician or a lead.')
  if (way === 'examined' && candidates.length !== 1)
    throw invalidInput([{ code: 'format', path: 'candidates', message: 'candidates are more than one: run it as a team, or choose one.' }])
}

function isSame(known: Sitting, post: SittingPost, station: Station): boolean {
  const those = (all: readonly { readonly id: string; readonly role: string | null }[]): string =>
    all
      .map((one) => `${one.id} ${one.role ?? ''}`)
      .sort()
      .join()
  return (
    known.way === post.way &&
    Date.parse(known.begunAt) === Date.parse(post.begunAt) &&
    those(known.candidates) === those(post.candidates) &&
    JSON.stringify(known.station) === JSON.stringify(station)
  )
}
