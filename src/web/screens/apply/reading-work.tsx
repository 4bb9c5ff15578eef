import { useWords } from '../../sync/use-words'
import type { Caution } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { ReadingAnswer } from '../../case/readings/reading-answer'
import { ReadingField } from '../../case/readings/reading-field'
import { Notice } from '../../parts/notice'
import type { OpenCase } from '../../sync/case-store'

/**
 * Readings of a step, taken where they arise: each with what is wanted and what was read, and under them what they bring, answered there.
 * @param startedMs of the run: what was read before it was of another time on
 * @param brought cautions of this step that the readings brought since the plan was made
 */
export function ReadingWork({
  open,
  step,
  startedMs,
  brought,
}: {
  open: OpenCase
  step: Step
  startedMs: number
  brought: readonly Caution[]
}) {
  const say = useWords()
  return (
    <section aria-label="Readings of this step" className="grid gap-3 rounded-2xl border border-line p-3">
      <div className="grid gap-3 sm:grid-cols-2">
        {(step.reads ?? []).map((asked) => (
          <ReadingField key={`${asked.id}/${asked.side ?? ''}`} open={open} asked={asked} stepId={step.id} freshFromMs={startedMs} />
        ))}
      </div>
      {brought.map((caution) => (
        <Notice key={`${caution.code} ${caution.text}`} tone={caution.level} lead={say(caution.text)} role="status">
          {say(caution.why)}
          <ReadingAnswer caseId={open.record.id} id={caution.code} text={caution.text} />
        </Notice>
      ))}
    </section>
  )
}
