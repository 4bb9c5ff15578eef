import { useWords } from '../../sync/use-words'
import { saidOf } from '#core/planner/answer'
import type { DisplayUnits } from '#core/planner/format-decision'
import type { Plan } from '#core/model/plan'
import { findTechnique } from '#core/techniques/registry'

/** What to do, in one sentence; while that is not known, what is missing for it. */
export function PlanAnswer({ plan, units }: { plan: Plan; units: DisplayUnits }) {
  const say = useWords()
  const answer = findTechnique(plan.technique)?.answer(saidOf(plan, units)) ?? null
  if (answer !== null) return <p className="text-2xl leading-snug font-bold text-balance sm:text-[1.7rem]">{answer}</p>
  return (
    <p className="text-xl leading-snug font-bold">
      Not sized yet.{' '}
      <span className="font-normal">{say(plan.problems[0]?.message ?? '') || 'Something that it turns on is still to be measured.'}</span>
    </p>
  )
}
