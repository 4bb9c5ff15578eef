import type { Caution } from '../model/plan'
import type { Step } from '../model/step'
import { hasStepRole, onRoles, type StepRole } from '../model/step-role'

/** A stop as it holds back a step. */
export interface BindingStop {
  readonly code: string
  readonly text: string
  readonly why: string
  /** Nobody goes on over it: what raises it is changed, or what it waits for is entered. */
  readonly isFixed: boolean
  /** Gone past only once a call to the senior was recorded. */
  readonly needsCall: boolean
  /** When what it is about was found; absent for what the plan says of itself. */
  readonly sinceMs?: number
}

/** A stop that a danger raises at steps of some roles, or at every step that goes on with the work. */
export interface DangerStop extends BindingStop {
  readonly at: readonly StepRole[] | 'all'
}

/** How a step of a run stands: the last thing recorded of it. */
export interface StepState {
  readonly outcome: 'done' | 'skipped'
  /** Codes of stops that stood on it. */
  readonly despite: readonly string[]
}

export interface BindingFacts {
  /** The procedure, in its order. */
  readonly steps: readonly Step[]
  /** Every step that was done or passed by. */
  readonly states: ReadonlyMap<string, StepState>
  /** Stops and cautions of the plan in force, and those that a waiting change would bring. */
  readonly cautions: readonly Caution[]
  /** What stands about the patient and speaks against steps. */
  readonly dangers: readonly DangerStop[]
  /** The run opens or eases what is on. */
  readonly isOpening: boolean
}

/** Once something goes on, these go on all the same: opening, easing and taking off help, and a head that is held is never let go for a stop. */
const freeing = ['opens', 'eases', 'takes-off'] as const satisfies readonly StepRole[]
/** A stop that was passed by does not hold back a hold or a look either. */
const harmless = [...freeing, 'hold-taken', 'holds-to-set', 'baseline', 'check-after'] as const satisfies readonly StepRole[]

/** Whether a step only frees, holds or looks: one that puts something on as well is none. */
function isHarmless(step: Step): boolean {
  return hasStepRole(step, ...harmless) && !hasStepRole(step, 'first-layer', 'wets', ...onRoles)
}

/**
 * Stops that stand on a step and hold it back until somebody answers for going on. A stop binds the steps that
 * it names, or where it names none the first that puts something on; passed by, it binds every later step that does not open, ease, take off,
 * hold or look, until a step was done over it. A step that waits for an order binds in the same way. Nothing binds a run that opens or eases.
 */
export function stopsOn(step: Step, facts: BindingFacts): readonly BindingStop[] {
  const isHeadTaken = step.holds?.what === 'head' && step.holds.from === step.id
  if (facts.isOpening || isHeadTaken || hasStepRole(step, ...freeing)) return []
  const found = [...ofWaiting(step, facts), ...ofCautions(step, facts), ...ofDangers(step, facts)]
  return found.filter((stop, index) => found.findIndex((each) => each.code === stop.code) === index)
}

function ofCautions(step: Step, facts: BindingFacts): readonly BindingStop[] {
  const first = facts.steps.find((one) => hasStepRole(one, 'first-layer', 'wets', ...onRoles))
  return facts.cautions.flatMap((caution): BindingStop[] => {
    if (caution.level !== 'stop' || caution.overruled) return []
    const named = caution.steps.length > 0 ? caution.steps : first ? [first.id] : []
    return isBound(step, named, caution.code, facts) ? [asBinding(caution)] : []
  })
}

function asBinding(caution: Caution): BindingStop {
  const needsCall = caution.code === pulseAbsent
  return { code: caution.code, text: caution.text, why: caution.why, isFixed: caution.isFloor === true && !needsCall, needsCall }
}

/** A step that waits for an order can only be answered, and nothing later is done without it. */
function ofWaiting(step: Step, facts: BindingFacts): readonly BindingStop[] {
  return facts.steps.flatMap((one): BindingStop[] => {
    if (one.waitsFor === undefined || !isBound(step, [one.id], waitsForOrder, facts)) return []
    return [{ code: waitsForOrder, text: one.waitsFor, why: `It prevents this: ${one.prevents}`, isFixed: true, needsCall: false }]
  })
}

function ofDangers(step: Step, facts: BindingFacts): readonly BindingStop[] {
  return facts.dangers.filter(({ at }) => (at === 'all' ? !isHarmless(step) : hasStepRole(step, ...at)))
}

/** Whether a stop that names some steps holds back another: itself, or one after it for as long as nothing was done over the stop. */
function isBound(step: Step, named: readonly string[], code: string, { steps, states }: BindingFacts): boolean {
  if (named.includes(step.id)) return true
  if (isHarmless(step)) return false
  const at = steps.findIndex((one) => one.id === step.id)
  const before = steps.slice(0, Math.max(0, at))
  const firstNamed = before.findIndex((one) => named.includes(one.id))
  if (firstNamed < 0) return false
  const isAnswered = (one: Step): boolean => {
    const state = states.get(one.id)
    return state?.outcome === 'done' && (named.includes(one.id) || state.despite.includes(code))
  }
  return !before.slice(firstNamed).some(isAnswered)
}

/** The flag and the stop of a limb without a pulse: it is still splinted for the way, once the senior knows. */
export const pulseAbsent = 'pulse-absent'
export const waitsForOrder = 'waits-for-order'

/** How a step may be left: done, done or passed by over its stops with a reason, passed by. */
export interface WaysOn {
  readonly isDoneFree: boolean
  /** Whether somebody who decides may go on, or pass it by, all the same, with a reason. */
  readonly despite: 'no' | 'after-call' | 'with-reason'
  /** Whether it may be passed by without answering for a stop. */
  readonly isSkipFree: boolean
}

/**
 * The ways past a step, whichever key, button, pedal or word they are asked by.
 * @param stops that stand on it
 * @param isCalled a call to the senior was recorded and answered
 */
export function waysOn(step: Pick<Step, 'waitsFor'>, stops: readonly BindingStop[], isCalled: boolean): WaysOn {
  if (stops.length === 0) return { isDoneFree: true, despite: 'no', isSkipFree: step.waitsFor === undefined }
  const isFixed = stops.some((stop) => stop.isFixed)
  const waitsForCall = stops.some((stop) => stop.needsCall) && !isCalled
  return { isDoneFree: false, despite: isFixed ? 'no' : waitsForCall ? 'after-call' : 'with-reason', isSkipFree: false }
}

/** Whether straps of a step are still to be marked as closed. */
export function unmarkedStraps(step: Step, marks: ReadonlyMap<string, string>): readonly string[] {
  return (step.straps?.straps ?? []).filter((strap) => !['snug', 'checked'].includes(marks.get(strap.id) ?? '')).map((strap) => strap.label)
}

/** Whether a step asks for a recorded check before it can be confirmed. */
export function asksCheck(step: Pick<Step, 'roles'>): boolean {
  return hasStepRole(step, 'baseline', 'check-after')
}

/**
 * When a check has to have been made to count at a step that waits for one: after the last thing that was done to the patient, never the
 * old baseline.
 * @param entries what was recorded of the run, in the order of time
 * @param startedAt ISO 8601
 * @returns milliseconds since the epoch
 */
export function freshSince(
  step: Pick<Step, 'id'>,
  entries: readonly { readonly stepId: string; readonly outcome: string; readonly at: string }[],
  startedAt: string,
): number {
  const others = entries.filter((entry) => entry.stepId !== step.id && entry.outcome === 'done').map((entry) => Date.parse(entry.at))
  return Math.max(Date.parse(startedAt), ...others)
}
