import { drawTriangular, drawTruncatedNormal, mulberry32 } from './draws'
import { prepareReplay } from './replay'
import { isChain, scheduleWetPhase, type CrewSchedule } from './schedule'
import { windowsOf, type CrewInput } from '../../model/crew-input'

export interface CrewOption {
  readonly people: number
  /** Odds that all that has to be done while it is soft is; 0 when the work cannot be staffed by so few. */
  readonly odds: number
  readonly schedule: CrewSchedule | null
}

export interface CrewResult {
  readonly leastCrew: number
  /** False when no crew of 1 to 4 reaches the wanted odds. */
  readonly isInTime: boolean
  readonly options: readonly CrewOption[]
}

const drawCount = 2000
const wantedOdds = 0.9
const mostPeople = 4

/**
 * How many people finish moulding before the material sets: for 1 to 4 people, the best
 * order replayed over 2 000 seeded draws of step times (triangular) and set time (normal within ±3 sd).
 * @returns the smallest crew, not below the floor, with odds of 0.9 or more; where none has, the smallest that can staff every hold
 */
export function forecastCrew(input: CrewInput): CrewResult {
  const options: CrewOption[] = []
  const isOneOrder = isChain(input.steps)
  for (let people = 1; people <= mostPeople; people++) {
    // More hands do not hurry steps that follow each other: the first crew that can staff them has the odds of all.
    const before = isOneOrder ? options.find((option) => option.schedule !== null) : undefined
    options.push(before ? { ...before, people } : optionFor(input, people))
  }
  const enough = options.find((option) => option.people >= input.floor && option.odds >= wantedOdds)
  // Where nobody is quick enough, as many as can hold and work at all.
  const able = options.find((option) => option.people >= input.floor && option.schedule !== null)
  return { leastCrew: (enough ?? able)?.people ?? input.floor, isInTime: enough !== undefined, options }
}

function optionFor(input: CrewInput, people: number): CrewOption {
  const schedule = scheduleWetPhase(input.steps, people)
  if (!schedule) return { people, odds: 0, schedule: null }
  const random = mulberry32(input.seed)
  const replay = prepareReplay(input.steps, schedule.order, people)
  const minutes = new Float64Array(input.steps.length)
  const placeOf = (id: string): number => input.steps.findIndex((step) => step.id === id)
  const windows = windowsOf(input).map((one) => ({
    from: placeOf(one.from),
    to: placeOf(one.to),
    isFromStart: one.at === 'start',
    isToStart: one.toAt === 'start',
    share: one.share,
  }))
  let inTime = 0
  for (let draw = 0; draw < drawCount; draw++) {
    input.steps.forEach((step, index) => {
      minutes[index] = drawTriangular(random, step.minutes)
    })
    const set = drawTruncatedNormal(random, input.setMin, input.setSdMin)
    const ends = replay.play(minutes)
    const isHeld = windows.every(({ from, to, isFromStart, isToStart, share }) => {
      const wettedAt = (ends[from] ?? 0) - (isFromStart ? (minutes[from] ?? 0) : 0)
      const doneAt = (ends[to] ?? Infinity) - (isToStart ? (minutes[to] ?? 0) : 0)
      return doneAt - wettedAt <= share * set
    })
    if (isHeld) inTime++
  }
  return { people, odds: inTime / drawCount, schedule }
}
