import type { Step } from '../model/step'
import type { PlanDraft } from '../planner/draft'
import { formatValue } from '../planner/format-decision'
import type { Technique, TechniqueOutcome } from '../planner/technique'
import { firstUnfilled, leastPeople } from '../scene/least-people'
import { isCut, playScene } from '../scene/play-scene'

/**
 * Stop `nobody-holds` on the first line that so many people cannot fill, with what helps. It is no floor: a clinician
 * may know of a hand that is not written down. Nothing is said while it is not known how many are there, or of steps that are not cut into lines.
 */
export function judgeHands(draft: PlanDraft, technique: Technique, { steps, relief = [] }: TechniqueOutcome): void {
  const { people } = draft.clinicalCase.crew
  if (people === null || !technique.carries || !isCut(steps)) return
  const least = leastPeople(steps)
  const decisions = technique.decisions.flatMap(({ id }) => (id === 'least-crew' || id === 'people' ? [id] : []))
  const unfilled = people < least ? firstUnfilled(playScene(steps), people) : null
  if (!unfilled) return
  const needed = formatValue(least, 'people')
  const gives = relief.length > 0 ? ` What helps: ${relief.join('; ')}.` : ''
  draft.caution({
    level: 'stop',
    code: 'nobody-holds',
    decisions,
    steps: [unfilled.step.id],
    text: `Nobody is left for "${spokenLine(unfilled.text)}": ${needed} are needed, ${people} ${people === 1 ? 'is' : 'are'} here.${gives}`,
    why: 'A hold that nobody has is let go at the worst moment; it undoes the work, and can hurt.',
  })
}

/** Whether so few people are stopped by `judgeHands` already. */
export function isTooFewToHold(steps: readonly Step[], people: number): boolean {
  return isCut(steps) && people < leastPeople(steps)
}

function spokenLine(text: string): string {
  return text.replaceAll('"', '').replace(/\.$/, '')
}
