import type { Plan } from '#core/model/plan'
import type { StationScore } from '#core/practice/stations/score-station'
import { stepName } from '#core/runs/step-name'
import { cutToWidth } from '../../../lane/kit/text-width'
import { useNarrow } from '../../../parts/use-narrow'

const rowPx = 21
const letterPx = 13

/** Your order beside the procedure's: a line for each step, and in the tone of a stop where a pair is broken. */
export function OrderDrawing({ plan, score }: { plan: Plan; score: StationScore }) {
  const width = useNarrow() ? 350 : 620
  const column = width * 0.36
  const done = score.steps.map((step) => step.stepId)
  const listed = plan.procedure.steps.map((step) => step.id).filter((id) => done.includes(id))
  const broken = new Set(score.pairs.filter((pair) => pair.isBroken).flatMap((pair) => [pair.before, pair.after]))
  const y = (index: number): number => 16 + index * rowPx
  const words = `${done.length} steps in your order beside the procedure’s; ${score.pairs.filter((pair) => pair.isBroken).length} pairs crossed`
  return (
    <svg
      viewBox={`0 0 ${width} ${y(done.length) + 2}`}
      role="img"
      aria-label={words}
      className="w-full select-none"
      style={{ fontSize: letterPx }}
    >
      {done.map((id, index) => (
        <text key={id} x={column - 8} y={y(index) + 4} textAnchor="end" className={broken.has(id) ? 'fill-stop font-bold' : 'fill-ink'}>
          {cutToWidth(`${index + 1} ${stepName({ id })}`, letterPx, column - 12)}
        </text>
      ))}
      {listed.map((id, index) => (
        <text key={id} x={width - column + 8} y={y(index) + 4} className={broken.has(id) ? 'fill-stop font-bold' : 'fill-soft'}>
          {cutToWidth(stepName({ id }), letterPx, column - 12)}
        </text>
      ))}
      {done.map((id, index) => (
        <path
          key={id}
          d={`M${column} ${y(index)} C${width / 2} ${y(index)} ${width / 2} ${y(listed.indexOf(id))} ${width - column} ${y(listed.indexOf(id))}`}
          fill="none"
          stroke={broken.has(id) ? 'var(--stop)' : 'var(--soft)'}
          strokeWidth={broken.has(id) ? 2.4 : 1}
        />
      ))}
    </svg>
  )
}
