import { v7 as uuidv7 } from 'uuid'
import type { Sequelize } from 'sequelize'
import { mulberry32 } from '#core/figures/crew/draws'
import type { MarkBody, StationMark } from '#core/practice/stations/marks'
import { findStation, planOfStation, stationIdOf } from '#core/practice/stations/shipped-stations'
import { stationContext } from '#core/practice/stations/station-context'
import { toTenth } from '#core/practice/stations/station'
import { createPracticeGroups } from '../repositories/practice-groups'
import { createPracticeSittings } from '../repositories/practice-sittings'

/** Somebody who learns. */
export interface Learner {
  readonly id: string
  /** How sure they are, 0 to 1. */
  readonly sure: number
}

const dayMs = 86_400_000
/** What each did, and how many days ago. */
const done = [
  { technique: 'leg-slab', daysAgo: [21, 12, 3] },
  { technique: 'frame-traction', daysAgo: [16, 2] },
  { technique: 'extrication-collar', daysAgo: [9] },
] as const

/** Runs of stations by the learners, examined, better each time; and the group that they are in. */
export async function writePracticeStories(
  db: Sequelize,
  people: { readonly learners: readonly Learner[]; readonly examiner: string; readonly second: string; readonly trainer: string },
  now: number,
): Promise<void> {
  const sittings = createPracticeSittings(db)
  const random = mulberry32(16)
  for (const [index, { technique, daysAgo }] of done.entries()) {
    const station = findStation(stationIdOf(technique), stationContext)
    const plan = station && planOfStation(station, stationContext)
    if (!station || !plan) continue
    for (const learner of people.learners) {
      for (const [nth, days] of daysAgo.entries()) {
        const id = uuidv7()
        const slip = (1 - learner.sure) / (nth + 1)
        const marks: StationMark[] = []
        let atMs = 0
        const mark = (what: MarkBody): void => void marks.push({ id: uuidv7(), atMs: toTenth(atMs), what })
        const steps = plan.procedure.steps.filter((step) => step.optional !== true && random() > slip * 0.25).map((step) => step.id)
        const swapped = Math.floor(random() * (steps.length - 1))
        const [a, b] = [steps[swapped], steps[swapped + 1]]
        if (a !== undefined && b !== undefined && random() < slip) [steps[swapped], steps[swapped + 1]] = [b, a]
        for (const stepId of steps) {
          atMs += 12_000 + random() * 45_000 * (0.6 + slip)
          mark({ kind: 'tick', stepId })
        }
        for (const { decision } of station.asked) {
          const right = Number(plan.decisions.find((one) => one.id === decision)?.value)
          mark({ kind: 'answer', decision, given: String(Math.round(right * (1 + (random() - 0.5) * slip * 0.2) * 10) / 10) })
        }
        if (random() < slip * 0.4) mark({ kind: 'critical', error: 'circulation-after' })
        mark({ kind: 'end' })
        const begunAt = new Date(now - days * dayMs - (index + 1) * 3_600_000 - people.learners.indexOf(learner) * 1_500_000)
        await db.transaction(async (transaction) => {
          await sittings.begin(
            { id, way: 'examined', station, begunAt, begunBy: people.examiner, candidates: [{ id: learner.id, role: null }] },
            transaction,
          )
          await sittings.add(id, people.examiner, marks, transaction)
          // A second pair of eyes at the last run of each: now and then it misses a step.
          if (nth === daysAgo.length - 1) await sittings.add(id, people.second, seenByAnother(marks, random), transaction)
        })
      }
    }
  }
  await createPracticeGroups(db).set(
    { id: uuidv7(), name: 'Spring intake', members: people.learners.map((learner) => learner.id) },
    people.trainer,
  )
}

/** The same run as somebody else saw it. */
function seenByAnother(marks: readonly StationMark[], random: () => number): readonly StationMark[] {
  return marks.filter((mark) => mark.what.kind !== 'tick' || random() > 0.06).map((mark) => ({ ...mark, id: uuidv7() }))
}
