import { normalCdf } from '../sizing/normal'
import { windowsOf, type CrewInput } from '../../model/crew-input'
import { drawTriangular, mulberry32 } from './draws'
import { prepareReplay } from './replay'
import { scheduleWetPhase } from './schedule'

export interface WetBar {
  readonly id: string
  /** Minutes from the end of wetting, likely; below 0 for what comes before it. */
  readonly startMin: number
  readonly endMin: number
  /** The tenth and the ninetieth of a hundred draws of its end. */
  readonly earlyEndMin: number
  readonly lateEndMin: number
  /** By when it has to end: the least of the clocks that it lies under; null where it lies under none. */
  readonly dueMin: number | null
}

/** The wet phase of a crew on one time line with the setting clock; 0 is when the wetting ends. */
export interface WetTimeline {
  readonly bars: readonly WetBar[]
  readonly setMin: number
  readonly setSdMin: number
  /** Share of batches that have set, at each minute from 0 in steps of a quarter. */
  readonly setCurve: readonly (readonly [number, number])[]
  readonly endMin: number
}

const drawCount = 200

/**
 * Lays the best schedule of a crew over the setting curve: likely bars, their spread by seeded draws,
 * and the share of batches that have set by then.
 * @param people crew size, 1 or more
 * @returns null when so few cannot staff the work
 */
export function wetTimeline(input: CrewInput, people: number): WetTimeline | null {
  const schedule = scheduleWetPhase(input.steps, people)
  if (!schedule) return null
  const wetting = input.steps.findIndex((step) => step.id === input.wettingStep)
  const zero = schedule.endMin[input.wettingStep] ?? 0
  const random = mulberry32(input.seed)
  const replay = prepareReplay(input.steps, schedule.order, people)
  const minutes = new Float64Array(input.steps.length)
  const ends: number[][] = input.steps.map(() => [])
  for (let draw = 0; draw < drawCount; draw++) {
    input.steps.forEach((step, index) => {
      minutes[index] = drawTriangular(random, step.minutes)
    })
    const played = replay.play(minutes)
    const start = wetting < 0 ? 0 : (played[wetting] ?? 0)
    ends.forEach((list, index) => list.push((played[index] ?? 0) - start))
  }
  const quantile = (index: number, share: number): number => {
    const sorted = [...(ends[index] ?? [])].sort((a, b) => a - b)
    return sorted[Math.floor(share * (sorted.length - 1))] ?? 0
  }
  const dueOf = (id: string): number | null => {
    const limits = windowsOf(input)
      .filter(({ to, toAt }) => to === id && toAt === undefined)
      .map((one) => ((one.at === 'start' ? schedule.startMin : schedule.endMin)[one.from] ?? 0) - zero + one.share * input.setMin)
    return limits.length > 0 ? Math.min(...limits) : null
  }
  const bars = schedule.order.map((id): WetBar => {
    const index = input.steps.findIndex((step) => step.id === id)
    return {
      id,
      startMin: (schedule.startMin[id] ?? 0) - zero,
      endMin: (schedule.endMin[id] ?? 0) - zero,
      earlyEndMin: quantile(index, 0.1),
      lateEndMin: quantile(index, 0.9),
      dueMin: dueOf(id),
    }
  })
  const endMin = Math.max(input.setMin + 3 * input.setSdMin, ...bars.map((bar) => bar.lateEndMin)) + 0.25
  const setCurve = Array.from({ length: Math.ceil(endMin * 4) + 1 }, (_, index): readonly [number, number] => {
    const at = index / 4
    return [at, input.setSdMin > 0 ? normalCdf((at - input.setMin) / input.setSdMin) : at >= input.setMin ? 1 : 0]
  })
  return { bars, setMin: input.setMin, setSdMin: input.setSdMin, setCurve, endMin }
}
