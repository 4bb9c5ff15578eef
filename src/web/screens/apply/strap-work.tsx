import { useState } from 'react'
import { formatLength, type DisplayUnits } from '#core/planner/format-decision'
import type { Step } from '#core/model/step'
import { strapsBefore } from '#core/runs/step-work'
import type { StepStrap, StepStraps } from '#core/model/step'
import { strapMarksAt, type RunRecord, type StrapBody, type StrapMark } from '#contract/records/run'
import { writeEvent } from '../../sync/case-store'
import { ReasonSheet } from '../../case/run/reason-sheet'

const marks: readonly { readonly value: Exclude<StrapMark, 'open'>; readonly label: string; readonly shape: string }[] = [
  { value: 'touched', label: 'touched', shape: '◔' },
  { value: 'snug', label: 'snug', shape: '◑' },
  { value: 'checked', label: 'checked', shape: '●' },
]

const markButton =
  'min-h-12 rounded-xl border-[1.5px] border-soft bg-sheet px-3 font-semibold aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-paper'

/** Straps one by one, or all the same at once: laid down, pulled snug, checked; their order held where the technique binds it. */
export function StrapWork({ run, step, work, units }: { run: RunRecord; step: Step; work: StepStraps; units: DisplayUnits }) {
  const [asked, setAsked] = useState<{ strap: StepStrap; mark: StrapMark } | null>(null)
  const now = strapMarksAt(run, step.id)
  const closed = [...now].filter(([, mark]) => mark === 'snug' || mark === 'checked').map(([id]) => id)
  const write = (strapId: string, mark: StrapMark, reason = ''): void =>
    void writeEvent('strap', { runId: run.id, stepId: step.id, strapId, mark, reason } satisfies StrapBody)
  const press = (strap: StepStrap, mark: StrapMark): void => {
    if (now.get(strap.id) === mark) return write(strap.id, 'open')
    const isClosing = mark !== 'touched' && !closed.includes(strap.id)
    if (isClosing && strapsBefore(work, strap.id, closed).length > 0) return setAsked({ strap, mark })
    write(strap.id, mark)
  }
  return (
    <section data-needed aria-label="Straps" className="grid gap-2 rounded-2xl border border-line p-3">
      <p className="text-sm text-soft">
        {work.order === 'given' && work.straps.length > 1 ? 'In this order. ' : ''}Touched, then snug, then checked once all are closed.
      </p>
      {work.straps.length > 1 ? (
        <div role="group" aria-label="All straps the same" className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1.5 px-3">
          <span className="font-semibold">All the same</span>
          <span className="flex gap-1">
            {marks.map((mark) => (
              <button
                key={mark.value}
                type="button"
                aria-pressed={work.straps.every((strap) => now.get(strap.id) === mark.value)}
                // In the order in which they close.
                onClick={() => work.straps.forEach((strap) => now.get(strap.id) === mark.value || write(strap.id, mark.value))}
                className={markButton}
              >
                <span aria-hidden>{mark.shape} </span>
                {mark.label}
              </button>
            ))}
          </span>
        </div>
      ) : null}
      <ol className="grid gap-1.5">
        {work.straps.map((strap, index) => (
          <li key={strap.id} className="flex flex-wrap items-center justify-between gap-x-3 gap-y-1.5 rounded-xl bg-well px-3 py-1.5">
            <span className="min-w-0 font-semibold">
              {work.order === 'given' && work.straps.length > 1 ? `${index + 1}. ` : ''}
              {strap.label}
              {strap.slackCm === null ? null : (
                <span className="block text-sm font-normal text-soft">
                  {formatLength(strap.slackCm, units)} of strap over when the fingers lie under it
                </span>
              )}
            </span>
            <span role="group" aria-label={strap.label} className="flex gap-1">
              {marks.map((mark) => (
                <button
                  key={mark.value}
                  type="button"
                  aria-pressed={now.get(strap.id) === mark.value}
                  onClick={() => press(strap, mark.value)}
                  className={markButton}
                >
                  <span aria-hidden>{mark.shape} </span>
                  {mark.label}
                </button>
              ))}
            </span>
          </li>
        ))}
      </ol>
      {asked ? (
        <ReasonSheet
          title={`${asked.strap.label} out of turn?`}
          draftKey={`run/${run.id}/strap/${asked.strap.id}`}
          submitLabel="Close it now"
          backLabel="Keep the order"
          onClose={() => setAsked(null)}
          onReason={(reason) => {
            write(asked.strap.id, asked.mark, reason)
            setAsked(null)
          }}
        >
          <p>
            First{' '}
            {strapsBefore(work, asked.strap.id, closed)
              .map((strap) => strap.label.toLowerCase())
              .join(', then ')}
            . {step.why}
          </p>
        </ReasonSheet>
      ) : null}
    </section>
  )
}
