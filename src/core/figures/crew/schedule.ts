import type { WetStep } from '../../model/crew-input'

export interface CrewSchedule {
  /** Steps in the order in which they start. */
  readonly order: readonly string[]
  readonly startMin: Readonly<Record<string, number>>
  readonly endMin: Readonly<Record<string, number>>
  readonly makespanMin: number
}

const mostSteps = 14

/**
 * The shortest schedule of the wet phase for N people, exactly, by branch and bound over the order in which
 * steps start. One person does one step at a time, only one of them applies, and a hold keeps
 * its person from the start of its first step to the end of its last.
 * @param steps at most 14, with `after` naming steps among them
 * @param people 1 or more
 * @returns null when the steps cannot be staffed by so few
 * @throws RangeError above 14 steps, unless each comes after the one before: then there is one order only
 */
export function scheduleWetPhase(steps: readonly WetStep[], people: number): CrewSchedule | null {
  if (steps.length > mostSteps && !isChain(steps)) throw new RangeError(`scheduleWetPhase takes at most ${mostSteps} steps`)
  const likely = new Map(steps.map((step) => [step.id, step.minutes[1]]))
  const tail = criticalTails(steps, likely)
  let best: CrewSchedule | null = null

  const search = (order: readonly WetStep[], now: number, state: Running): void => {
    if (order.length === steps.length) {
      const makespan = Math.max(0, ...state.ends.values())
      if (!best || makespan < best.makespanMin - 1e-9) best = toSchedule(order, state, makespan)
      return
    }
    const waiting = steps.filter((step) => !state.ends.has(step.id))
    const bound = Math.max(...waiting.map((step) => now + (tail.get(step.id) ?? 0)))
    if (best && bound >= best.makespanMin - 1e-9) return
    for (const step of waiting) {
      if (step.after.some((id) => !state.ends.has(id) && likely.has(id))) continue
      const start = earliestStart(step, steps, people, now, state)
      if (start === null) continue
      search([...order, step], start, startStep(state, step, start, likely.get(step.id) ?? 0))
    }
  }
  search([], 0, { starts: new Map(), ends: new Map() })
  return best
}

/** Whether each step comes after the one before it. */
export function isChain(steps: readonly WetStep[]): boolean {
  return steps.every((step, index) => index === 0 || step.after.includes(steps[index - 1]?.id ?? ''))
}

interface Running {
  readonly starts: ReadonlyMap<string, number>
  readonly ends: ReadonlyMap<string, number>
}

function startStep(state: Running, step: WetStep, start: number, minutes: number): Running {
  return {
    starts: new Map(state.starts).set(step.id, start),
    ends: new Map(state.ends).set(step.id, start + minutes),
  }
}

/** The earliest minute, not before `now`, at which a step's predecessors are done and its hands are free. */
function earliestStart(step: WetStep, steps: readonly WetStep[], people: number, now: number, state: Running): number | null {
  const ready = step.after.reduce((latest, id) => Math.max(latest, state.ends.get(id) ?? 0), now)
  const times = [ready, ...[...state.ends.values()].filter((end) => end > ready)].sort((a, b) => a - b)
  for (const time of times) if (canStaff(step, steps, people, time, state)) return time
  return null
}

function canStaff(step: WetStep, steps: readonly WetStep[], people: number, time: number, state: Running): boolean {
  let busy = 0
  let applying = false
  for (const other of steps) {
    const end = state.ends.get(other.id)
    if (end !== undefined && end > time + 1e-9) {
      busy += other.hands.length
      applying ||= other.hands.includes('apply')
    }
    if (other.id !== step.id) busy += other.holdsUntil.filter((to) => isHeldAt(other.id, to, time, state)).length
  }
  const needed = step.hands.length + step.holdsUntil.length
  if (step.hands.includes('apply') && applying) return false
  return busy + needed <= people
}

function isHeldAt(from: string, to: string, time: number, state: Running): boolean {
  const taken = state.starts.get(from)
  if (taken === undefined || taken > time + 1e-9) return false
  const released = state.ends.get(to)
  return released === undefined || released > time + 1e-9
}

/** Longest chain of likely minutes from the start of each step to the end of the work. */
function criticalTails(steps: readonly WetStep[], likely: ReadonlyMap<string, number>): Map<string, number> {
  const tails = new Map<string, number>()
  const tailOf = (step: WetStep): number => {
    const known = tails.get(step.id)
    if (known !== undefined) return known
    const followers = steps.filter((other) => other.after.includes(step.id))
    const tail = (likely.get(step.id) ?? 0) + Math.max(0, ...followers.map(tailOf))
    tails.set(step.id, tail)
    return tail
  }
  steps.forEach(tailOf)
  return tails
}

function toSchedule(order: readonly WetStep[], state: Running, makespanMin: number): CrewSchedule {
  return {
    order: order.map((step) => step.id),
    startMin: Object.fromEntries(state.starts),
    endMin: Object.fromEntries(state.ends),
    makespanMin,
  }
}
