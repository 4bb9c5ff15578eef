import { useSettings } from '../../sync/session-store'
import { inUnits, wordsInUnits } from '#core/quantities/words-in-units'
import type { Caution, Plan } from '#core/model/plan'
import { FoldedNotice, Notice } from '../../parts/notice'

const words: Record<Caution['level'], string> = { stop: 'Stop', caution: 'Caution', note: 'Note' }

/** Cautions and problems that bite at a stage, worst first. Setting one aside needs a reason and stays visible. */
export function PlanMessages({
  plan,
  decisions,
  levels = ['stop', 'caution', 'note'],
  showProblems = true,
  onSetAside,
  isFolded = false,
}: {
  plan: Plan
  decisions?: readonly string[]
  levels?: readonly Caution['level'][]
  showProblems?: boolean
  onSetAside?: ((caution: Caution) => void) | undefined
  /** One line each, with its why one tap away; a stop keeps its why in sight. */
  isFolded?: boolean
}) {
  const { units } = useSettings()
  const problems = inUnits(plan.problems, units)
  const cautions = plan.cautions.filter(
    (caution) => levels.includes(caution.level) && (!decisions || caution.decisions.some((id) => decisions.includes(id))),
  )
  if (cautions.length === 0 && (!showProblems || problems.length === 0)) return null
  return (
    <ul aria-label="Cautions and problems" className="grid gap-2">
      {showProblems
        ? problems.map((problem) => (
            <li key={problem.path + problem.code + problem.message}>
              <Notice tone="caution" lead={problem.message} />
            </li>
          ))
        : null}
      {cautions.map((caution) => (
        <li key={caution.code + caution.text}>
          {isFolded && caution.level !== 'stop' ? (
            <FoldedNotice
              tone={caution.level}
              lead={`${words[caution.level]}: ${wordsInUnits(caution.text, units)}${caution.overruled ? ' Set aside.' : ''}`}
            >
              <CautionWhy caution={caution} onSetAside={onSetAside} />
            </FoldedNotice>
          ) : (
            <Notice tone={caution.level} lead={`${words[caution.level]}: ${wordsInUnits(caution.text, units)}`}>
              <CautionWhy caution={caution} onSetAside={onSetAside} />
            </Notice>
          )}
        </li>
      ))}
    </ul>
  )
}

/** Why, who set it aside, or the way to do so. */
function CautionWhy({ caution, onSetAside }: { caution: Caution; onSetAside?: ((caution: Caution) => void) | undefined }) {
  const { units } = useSettings()
  return (
    <>
      <p>{wordsInUnits(caution.why, units)}</p>
      {caution.overruled ? (
        <p className="mt-1 font-semibold">
          Set aside by {caution.overruled.by}: {caution.overruled.reason}
        </p>
      ) : caution.level === 'stop' && onSetAside && !caution.isFloor ? (
        <button type="button" onClick={() => onSetAside(caution)} className="mt-1 min-h-11 font-semibold underline underline-offset-4">
          Set aside with a reason
        </button>
      ) : null}
    </>
  )
}
