import { drawTriangular, drawTruncatedNormal, mulberry32 } from './draws'
import { prepareReplay } from './replay'
import { scheduleWetPhase, type CrewSchedule } from './schedule'
import type { CrewInput } from '../../model/crew-input'

export interface CrewOption {
  readonly people: number
  /** Odds that moulding ends before set; 0 when the work cannot be staffed by so few. */
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
 * How many people finish moulding before the material sets (COMPUTATION 7): for 1 to 4 people, the best
 * order replayed over 2 000 seeded draws of step times (triangular) and set time (normal within ±3 sd).
 * @returns the smallest crew, not below the floor, with odds of 0.9 or more; the floor when none has
 */
export function forecastCrew(input: CrewInput): CrewResult {
  const options: CrewOption[] = []
  for (let people = 1; people <= mostPeople; people++) options.push(optionFor(input, people))
  const enough = options.find((option) => option.people >= input.floor && option.odds >= wantedOdds)
  return { leastCrew: enough?.people ?? input.floor, isInTime: enough !== undefined, options }
}

function optionFor(input: CrewInput, people: number): CrewOption {
  const schedule = scheduleWetPhase(input.steps, people)
  if (!schedule) return { people, odds: 0, schedule: null }
  const random = mulberry32(input.seed)
  const replay = prepareReplay(input.steps, schedule.order, people)
  const minutes = new Float64Array(input.steps.length)
  const wetting = input.steps.findIndex((step) => step.id === input.wettingStep)
  const moulding = input.steps.findIndex((step) => step.id === input.mouldingStep)
  let inTime = 0
  for (let draw = 0; draw < drawCount; draw++) {
    input.steps.forEach((step, index) => {
      minutes[index] = drawTriangular(random, step.minutes)
    })
    const set = drawTruncatedNormal(random, input.setMin, input.setSdMin)
    const ends = replay.play(minutes)
    if ((ends[moulding] ?? Infinity) - (ends[wetting] ?? 0) <= set) inTime++
  }
  return { people, odds: inTime / drawCount, schedule }
}
