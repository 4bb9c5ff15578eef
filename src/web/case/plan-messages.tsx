import { isFloor } from '#core/rules/floors'
import type { Caution, Plan } from '#core/model/plan'
import { Notice } from '../parts/notice'

const words: Record<Caution['level'], string> = { stop: 'Stop', caution: 'Caution', note: 'Note' }

/** Cautions and problems that bite at a stage, worst first. Setting one aside needs a reason and stays visible. */
export function PlanMessages({
  plan,
  decisions,
  levels = ['stop', 'caution', 'note'],
  showProblems = true,
  onSetAside,
}: {
  plan: Plan
  decisions?: readonly string[]
  levels?: readonly Caution['level'][]
  showProblems?: boolean
  onSetAside?: ((caution: Caution) => void) | undefined
}) {
  const cautions = plan.cautions.filter(
    (one) => levels.includes(one.level) && (!decisions || one.decisions.some((id) => decisions.includes(id))),
  )
  if (cautions.length === 0 && (!showProblems || plan.problems.length === 0)) return null
  return (
    <ul aria-label="Cautions and problems" className="grid gap-2">
      {showProblems
        ? plan.problems.map((problem) => (
            <li key={problem.path + problem.code + problem.message}>
              <Notice tone="caution" lead={problem.message} />
            </li>
          ))
        : null}
      {cautions.map((caution) => (
        <li key={caution.code + caution.text}>
          <Notice tone={caution.level} lead={`${words[caution.level]}: ${caution.text}`}>
            <p>{caution.why}</p>
            {caution.overruled ? (
              <p className="mt-1 font-semibold">
                Set aside by {caution.overruled.by}: {caution.overruled.reason}
              </p>
            ) : caution.level === 'stop' && onSetAside && !isFloor(caution) ? (
              <button
                type="button"
                onClick={() => onSetAside(caution)}
                className="mt-1 min-h-11 font-semibold underline underline-offset-4"
              >
                Set aside with a reason
              </button>
            ) : null}
          </Notice>
        </li>
      ))}
    </ul>
  )
}
