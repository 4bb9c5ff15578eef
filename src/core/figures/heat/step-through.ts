import { factorTridiagonal, type FactoredTridiagonal } from './tridiagonal'

/** Heat conduction along a line of cells, C·dT/dt = −A·T + fixed + heated·source(t); A is tridiagonal. */
export interface Conduction {
  /** C, J/m²K. */
  readonly capacity: Float64Array
  /** What flows in from the cell below and above per K, W/m²K. */
  readonly lower: Float64Array
  readonly upper: Float64Array
  /** All that flows out per K, W/m²K. */
  readonly diagonal: Float64Array
  readonly fixed: Float64Array
  /** Part of `diagonal` that leaves the cells for good. */
  readonly outward: Float64Array
  /** How much of the source each cell gets, m. */
  readonly heated: Float64Array
}

export interface SteppingTask {
  readonly endS: number
  /** Error of one step that is allowed, °C, root mean square over the cells. */
  readonly stepErrorC: number
  /** Heat set free, W/m³, at a time, s. */
  readonly source: (timeS: number) => number
  /** What is watched: the boundary above a cell, by the share that the cell below it has in its temperature. */
  readonly watched: { readonly cell: number; readonly share: number }
  /** Each step with the watched curve over it, from the end of the last one. */
  readonly onStep: (curve: (timeS: number) => number, toS: number) => void
}

// TR-BDF2 (Bank et al. 1985; Hosea and Shampine 1996): both stages share one matrix.
const gamma = 2 - Math.SQRT2
const d = gamma / 2
const w = Math.SQRT2 / 4
const fromStage = 1 / (gamma * (2 - gamma))
const fromStart = (1 - gamma) ** 2 / (gamma * (2 - gamma))
/** Weights of the embedded third-order method less those of the second-order one. */
const errorWeights = [(4 * w - 1) / 3, -1 / 3, (2 * d) / 3] as const

const firstStepS = 0.5
const longestStepS = 128

/**
 * Steps a line of cells through time with a stiff second-order method whose steps halve and double as its error allows; each step length is
 * factored once.
 * @param temperature at the start; overwritten with that at the end
 * @returns heat that crossed the ends of the line, J/m², and the source integrated, both as the method saw them
 */
export function stepThrough(line: Conduction, temperature: Float64Array, task: SteppingTask): { exchanged: number; source: number } {
  const { capacity, fixed, heated, outward } = line
  const { cell, share } = task.watched
  const n = temperature.length
  const perCapacity = new Float64Array(n)
  for (let i = 0; i < n; i++) perCapacity[i] = 1 / capacity[i]!
  const watch = (values: Float64Array): number => share * values[cell]! + (1 - share) * values[cell + 1]!
  const slopeOf = (flows: Float64Array): number =>
    share * flows[cell]! * perCapacity[cell]! + (1 - share) * flows[cell + 1]! * perCapacity[cell + 1]!
  const factored = new Map<number, FactoredTridiagonal>()
  const stage = new Float64Array(n)
  const next = new Float64Array(n)
  const flow = flowAt(line, temperature, task.source(0))
  const stageFlow = new Float64Array(n)
  const nextFlow = new Float64Array(n)
  let [time, stepS] = [0, firstStepS]
  let [exchanged, source] = [0, 0]
  while (time < task.endS - 1e-9) {
    stepS = Math.min(stepS, task.endS - time)
    let system = factored.get(stepS)
    if (!system) factored.set(stepS, (system = factorFor(line, d * stepS)))
    const h = d * stepS
    const perH = 1 / h
    const [s0, s1, s2] = [task.source(time), task.source(time + gamma * stepS), task.source(time + stepS)]
    for (let i = 0; i < n; i++) stage[i] = capacity[i]! * temperature[i]! + h * (flow[i]! + fixed[i]! + heated[i]! * s1)
    system.solve(stage)
    for (let i = 0; i < n; i++) {
      stageFlow[i] = capacity[i]! * (stage[i]! - temperature[i]!) * perH - flow[i]!
      next[i] = capacity[i]! * (fromStage * stage[i]! - fromStart * temperature[i]!) + h * (fixed[i]! + heated[i]! * s2)
    }
    system.solve(next)
    let squares = 0
    for (let i = 0; i < n; i++) {
      const last = capacity[i]! * (next[i]! - fromStage * stage[i]! + fromStart * temperature[i]!) * perH
      const error = (errorWeights[0] * flow[i]! + errorWeights[1] * stageFlow[i]! + errorWeights[2] * last) * perCapacity[i]!
      nextFlow[i] = last
      squares += error * error
    }
    const errorC = stepS * Math.sqrt(squares / n)
    if (errorC > task.stepErrorC && stepS > firstStepS) {
      stepS /= 2
      continue
    }
    let inflow = 0
    for (let i = 0; i < n; i++) inflow += fixed[i]! - outward[i]! * (w * (temperature[i]! + stage[i]!) + d * next[i]!)
    exchanged += stepS * inflow
    source += stepS * (w * s0 + w * s1 + d * s2)
    const curve = hermite(time, stepS, [watch(temperature), watch(next)], [slopeOf(flow), slopeOf(nextFlow)])
    temperature.set(next)
    flow.set(nextFlow)
    time += stepS
    task.onStep(curve, time)
    if (errorC < task.stepErrorC / 6 && stepS < longestStepS) stepS *= 2
  }
  return { exchanged, source }
}

function factorFor({ capacity, lower, diagonal, upper }: Conduction, h: number): FactoredTridiagonal {
  const n = capacity.length
  const [below, middle, above] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)]
  for (let i = 0; i < n; i++) {
    below[i] = -h * lower[i]!
    middle[i] = capacity[i]! + h * diagonal[i]!
    above[i] = -h * upper[i]!
  }
  return factorTridiagonal(below, middle, above)
}

/** What flows into each cell, W/m². */
function flowAt({ lower, diagonal, upper, fixed, heated }: Conduction, temperature: Float64Array, source: number): Float64Array {
  return temperature.map(
    (one, i) =>
      fixed[i]! +
      heated[i]! * source -
      diagonal[i]! * one +
      (i > 0 ? lower[i]! * temperature[i - 1]! : 0) +
      (i < temperature.length - 1 ? upper[i]! * temperature[i + 1]! : 0),
  )
}

/** The cubic through two values with two slopes. */
function hermite(
  fromS: number,
  lengthS: number,
  [a, b]: readonly [number, number],
  [slopeA, slopeB]: readonly [number, number],
): (timeS: number) => number {
  return (timeS) => {
    const t = (timeS - fromS) / lengthS
    const u = 1 - t
    return u * u * (1 + 2 * t) * a + t * t * (1 + 2 * u) * b + lengthS * t * u * (u * slopeA - t * slopeB)
  }
}
