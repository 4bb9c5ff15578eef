import { saidLines } from '#core/runs/said-lines'
import type { Step } from '#core/model/step'

/**
 * The lines of a step under its headline, one act each, in their order: one's own large, another's with who it is. Nothing where a step is
 * not cut into lines.
 */
export function StepLines({ step, className = '' }: { step: Pick<Step, 'text' | 'headline' | 'lines' | 'items'>; className?: string }) {
  const { lines } = saidLines(step)
  if (lines.length === 0 || step.items) return null
  return (
    <ol className={`grid gap-1.5 sm:gap-2 ${className}`}>
      {lines.map(({ id, who, text }) => (
        <li key={id} className={who === null ? 'text-[1.12em] leading-snug font-semibold sm:text-[1.2em]' : 'leading-snug'}>
          {who === null ? null : (
            <span className="mr-2 inline-block rounded-md border border-line px-2 text-[0.9em] font-bold text-soft">
              {who}
              <span className="sr-only">: </span>
            </span>
          )}
          {text}
        </li>
      ))}
    </ol>
  )
}
