import type { HeldThing } from '../model/held-thing'
import type { Step } from '../model/step'
import { posts, type CarrierThing, type LaidLayer, type Post, type Posture, type StepLine } from '../model/step-line'

/** Something that is carried: by whom or what, where, since when. */
export interface Carried {
  readonly by: Post | CarrierThing
  /** Place of the lane, or null where none was said. */
  readonly at: string | null
  /** Hands that it takes of its post. */
  readonly hands: 0 | 1 | 2
  /** When the hands that hold it began, or changed, or were propped, likely minutes from the start. */
  readonly sinceMin: number
  readonly isPropped: boolean
}

/** What stands at one moment. */
export interface SceneState {
  /** Likely minutes from the start. */
  readonly clockMin: number
  readonly posture: Posture | null
  readonly carried: ReadonlyMap<HeldThing, Carried>
  readonly layers: readonly LaidLayer[]
  /** Laid out so far; null before anything was. */
  readonly laidOut: readonly string[] | null
  readonly used: readonly string[]
}

/** One line played: what stood before it, and what stands after. */
export interface Frame {
  readonly step: Step
  readonly line: StepLine
  readonly before: SceneState
  readonly after: SceneState
}

const nothing: SceneState = { clockMin: 0, posture: null, carried: new Map(), layers: [], laidOut: null, used: [] }

/** Whether a procedure is cut into lines throughout, so that it can be played. */
export function isCut(steps: readonly Step[]): boolean {
  return steps.every((step) => step.lines !== undefined && step.lines.every((line) => !line.isUncut))
}

/** Whether something is carried by a person rather than by a thing. */
export function isPost(by: Post | CarrierThing): by is Post {
  return (posts as readonly string[]).includes(by)
}

/**
 * Plays a procedure line by line, in its order.
 * @param steps cut into lines; a step without lines is passed by
 * @returns a frame for each line
 */
export function playScene(steps: readonly Step[]): readonly Frame[] {
  const before = played.get(steps)
  if (before) return before
  const frames = playAll(steps)
  played.set(steps, frames)
  return frames
}

/** A list of steps is played once: its people are counted, looked for and judged from the same frames. */
const played = new WeakMap<readonly Step[], readonly Frame[]>()

function playAll(steps: readonly Step[]): readonly Frame[] {
  let state = nothing
  return steps.flatMap((step) => {
    const lines = step.lines ?? []
    const eachMin = lines.length > 0 ? step.minutes[1] / lines.length : 0
    return lines.map((line): Frame => {
      const before = state
      state = play(before, line, eachMin)
      return { step, line, before, after: state }
    })
  })
}

function play(state: SceneState, line: StepLine, minutes: number): SceneState {
  const clockMin = state.clockMin + minutes
  const { takes, gives, rests, puts, uses } = line
  return {
    clockMin,
    posture: line.moves ?? state.posture,
    carried: takes || gives || rests ? handsAfter(state.carried, line, clockMin) : state.carried,
    layers: puts ? [...state.layers, ...puts] : state.layers,
    laidOut: line.act === 'fetch' && uses ? [...(state.laidOut ?? []), ...uses] : state.laidOut,
    used: line.act !== 'fetch' && uses ? [...state.used, ...uses] : state.used,
  }
}

/** What is carried after a line that takes, gives or rests. */
function handsAfter(before: SceneState['carried'], line: StepLine, nowMin: number): SceneState['carried'] {
  const carried = new Map(before)
  for (const what of line.takes ?? []) {
    const held = carried.get(what)
    const same = held?.by === line.by ? held : null
    carried.set(what, {
      by: line.by,
      at: line.at ?? same?.at ?? null,
      hands: line.hands ?? 2,
      sinceMin: same?.sinceMin ?? nowMin,
      isPropped: same?.isPropped === true,
    })
  }
  if (line.rests) for (const [what, one] of carried) if (isPost(one.by)) carried.set(what, { ...one, sinceMin: nowMin, isPropped: true })
  for (const { what, to } of line.gives ?? []) {
    const one = carried.get(what)
    if (to === 'bed') carried.delete(what)
    else if (one) carried.set(what, { ...one, by: to, sinceMin: nowMin, isPropped: false, hands: isPost(to) ? one.hands : 0 })
  }
  return carried
}
