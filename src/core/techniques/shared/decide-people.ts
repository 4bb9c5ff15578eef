import { measureFixedWindow } from '../../figures/crew/fixed-window'
import { peopleNotSaid } from '../../planner/people-not-said'
import type { PlanDraft } from '../../planner/draft'
import { formatValue } from '../../planner/format-decision'
import { isTooFewToHold } from '../judge-hands'
import type { Step } from '../../model/step'

export interface PeopleQuestion {
  readonly id?: 'least-crew' | 'people' | 'lifters'
  /** The step at which they have to be there; the first one unless said. */
  readonly step?: string
  /** Fewest people that the holds and the place allow. */
  readonly floor: number
  readonly steps: readonly Step[]
  /** What gives when hands are short. */
  readonly relief: readonly string[]
  /** Why so many, as working lines. */
  readonly because?: string
  readonly limitMin?: number
}

/**
 * Decides how many people work without a wet phase needs, and raises `short-handed` below it.
 * @returns people, the overruled figure where there is one
 */
export function decidePeople(draft: PlanDraft, question: PeopleQuestion): number {
  const id = question.id ?? 'least-crew'
  const window = measureFixedWindow(question.steps)
  const people = draft.decide({
    id,
    value: question.floor,
    source: 'practice',
    formula: question.because ?? 'Fewest people who can staff every hold while the applier has both hands free.',
    working: [
      { label: 'Likely minutes, one step after another', value: window.serialMin, unit: 'min', from: 'computed' },
      { label: 'Longest chain of steps', value: window.leastMin, unit: 'min', from: 'computed' },
      { label: 'Work of all hands', value: window.handMin, unit: 'min', from: 'computed' },
      ...(question.limitMin ? [{ label: 'Station time limit', value: question.limitMin, unit: 'min', from: 'default' as const }] : []),
    ],
  })
  warnShortHanded(draft, id, people, question)
  return people
}

/** Raises `short-handed` when fewer people are here than are needed, `people-not-said` while nobody has said how many are. */
function warnShortHanded(
  draft: PlanDraft,
  decision: string,
  needed: number,
  { relief, steps, step = 'position' }: Pick<PeopleQuestion, 'relief' | 'steps' | 'step'>,
): void {
  const { people } = draft.clinicalCase.crew
  if (people === null && needed > 1) draft.caution(peopleNotSaid(decision, needed))
  if (people === null || people >= needed || isTooFewToHold(steps, people)) return
  const gives = relief.length > 0 ? ` What helps: ${relief.join('; ')}.` : ''
  draft.caution({
    level: 'caution',
    code: 'short-handed',
    decisions: [decision],
    steps: [step],
    text: `${formatValue(needed, 'people')} are needed, ${people} ${people === 1 ? 'is' : 'are'} here.${gives}`,
    why: 'A hold let go half way undoes the work, and can hurt.',
  })
}
