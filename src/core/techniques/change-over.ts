import type { Hold, Step } from '../model/step'
import { hasStepRole, onRoles } from '../model/step-role'
import type { Technique } from '../planner/technique'
import { comingOffSteps, takeHoldStep, takenBy, underneathStep } from './shared/coming-off'

type Changed = Pick<Technique, 'name' | 'onUrgent' | 'comesOff' | 'oldOffBefore'>

const takeId = 'take-over'
export const underOldId = 'under-old'

/** Whether a step takes off what was on before. */
export function isOfChangeOver(stepId: string): boolean {
  return stepId === takeId || stepId === underOldId || /^off-\d+$/.test(stepId)
}

/**
 * The steps of a device that goes on in place of another one: a hand takes what the old one holds, only then it comes off, the
 * place under it is looked at, and the hand lets go when the new one holds. A procedure that takes the old one off itself, or that holds
 * the same thing from before on, keeps its own steps.
 * @param steps of the new device, with their roles
 * @param old the technique of what is on
 * @param next the technique that goes on
 */
export function withChangeOver(steps: readonly Step[], old: Changed, next: Changed): readonly Step[] {
  if (steps.some((step) => hasStepRole(step, 'takes-off'))) return steps
  const first = steps.findIndex((step) => (next.oldOffBefore ? step.id === next.oldOffBefore : putsOn(step)))
  const from = steps[first]
  if (!from) return steps
  const held = old.onUrgent.holds
  const { what, place } = takenBy[held]
  const isHeldAlready = steps.slice(0, first).some((step) => step.holds?.what === what && reaches(steps, step.holds, first))
  const to = handOverAt(steps, first, what, next)
  const before = steps.slice(0, first).flatMap((step) => (hasStepRole(step, 'baseline') ? [step.id] : []))
  const taken = isHeldAlready ? [] : [takeHoldStep(held, takeId, to.id, before)]
  const off = comingOffSteps(old.comesOff, old.name, taken.length > 0 ? [takeId] : before, taken.length > 0 ? place : null)
  const under = underneathStep(underOldId, held, 'where it was', [off.at(-1)?.id ?? takeId])
  const words = taken.length > 0 ? handOverWords(what) : ''
  const rest = steps.slice(first).map((step) => ({
    ...step,
    ...(step.id === to.id && words ? withWords(step, words) : {}),
    ...(putsOn(step) || step.id === from.id ? { after: [...step.after, underOldId] } : {}),
  }))
  return [...steps.slice(0, first), ...taken, ...off, under, ...rest]
}

/** A step that says so much more, as its last line where it is cut into lines. */
function withWords({ text, lines }: Step, words: string): Pick<Step, 'text' | 'lines'> {
  const said = `${text} ${words}`
  return lines ? { text: said, lines: [...lines, { id: 'hand-over', act: 'hold', by: 'side', text: words }] } : { text: said }
}

function putsOn(step: Step): boolean {
  return hasStepRole(step, 'first-layer', 'wets', ...onRoles)
}

/** Whether a hold that began earlier goes on to a step or beyond it. */
function reaches(steps: readonly Step[], hold: Hold, index: number): boolean {
  return steps.findIndex((step) => step.id === hold.to) >= index
}

/** Where the hand lets go: where the new procedure takes the same thing by its own hold, where the new device takes the pull, or where it is rigid. */
function handOverAt(steps: readonly Step[], first: number, what: Hold['what'], next: Changed): Step {
  const later = steps.slice(first)
  const own = later.find((step) => step.holds?.what === what)
  const pulled =
    next.onUrgent.holds === 'pull' ? later.find((step) => hasStepRole(step, 'pulls') && !hasStepRole(step, 'hold-taken')) : undefined
  const rigid = later.find((step) => hasStepRole(step, 'rigid-on'))
  const found = own ?? pulled ?? rigid ?? later.at(-1)
  return found ?? later[0]!
}

function handOverWords(what: Hold['what']): string {
  return what === 'pull'
    ? 'The hands give the pull over here; they let go only when it holds.'
    : 'Only when it holds do the hands that took over let go.'
}
