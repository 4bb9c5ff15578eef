import type { ReactNode } from 'react'
import type { StepBand } from '#contract/api/practice-overview'
import type { ExaminerSheet } from '#ward/practice/sitting-sheets'
import type { Plan } from '#core/model/plan'
import { partWorth, type NumberMark, type StationScore } from '#core/practice/stations/score-station'
import { criticalErrors, type Station } from '#core/practice/stations/station'
import { stepName } from '#core/runs/step-name'
import { Notice } from '../../../parts/notice'
import { OrderDrawing } from './order-drawing'

const partNames = { order: 'Order', completeness: 'Completeness', numbers: 'Figures', time: 'Time' } as const

/** The sheet of a run as one person saw it: total and parts, order, times against others', what was critical, figures with their working. */
export function StationSheet({
  station,
  plan,
  sheet,
  bands,
  isOwn,
  children,
}: {
  station: Station
  plan: Plan
  sheet: ExaminerSheet
  bands: readonly StepBand[]
  /** It is the reader's own order that is drawn. */
  isOwn: boolean
  /** What can be done with it. */
  children?: ReactNode
}) {
  const { score } = sheet
  const broken = score.pairs.filter((pair) => pair.isBroken)
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-2 print:grid-cols-2">
      <section aria-label="Score" className="grid content-start gap-3 rounded-3xl border border-line bg-sheet p-5">
        <p className="flex flex-wrap items-baseline gap-x-3">
          <span className="numeral text-5xl font-bold">{score.total.toFixed(1)}</span>
          <span className="text-soft">of 100</span>
          <strong className={score.hasPassed ? 'text-calm' : 'text-stop'}>
            {score.hasPassed ? '● nothing critical' : '◆ failed: critical'}
          </strong>
        </p>
        {score.criticals.map((id) => (
          <Notice key={id} tone="stop" lead={criticalErrors[id].label}>
            {criticalErrors[id].why}
          </Notice>
        ))}
        <dl className="grid gap-1.5">
          {(Object.keys(partWorth) as readonly (keyof typeof partWorth)[]).map((part) => (
            <div key={part} className="grid grid-cols-[7rem_minmax(0,1fr)_auto] items-center gap-3">
              <dt>{partNames[part]}</dt>
              <dd className="h-3 overflow-hidden rounded-full bg-well" aria-hidden>
                <div className="h-full rounded-full bg-ink" style={{ width: `${100 * score.parts[part]}%` }} />
              </dd>
              <dd className="numeral font-bold">
                {(partWorth[part] * score.parts[part]).toFixed(1)} <span className="font-normal text-soft">of {partWorth[part]}</span>
              </dd>
            </div>
          ))}
        </dl>
        <p className="text-soft">
          {clock(score.tookMs)} of {clock(station.limitS * 1000)}.{' '}
          {score.missing.length > 0 ? `Left out: ${score.missing.map((id) => stepName({ id })).join(', ')}.` : 'Nothing left out.'}
        </p>
        {children ? <div className="flex flex-wrap gap-2 print:hidden">{children}</div> : null}
      </section>
      <section aria-labelledby="order" className="grid content-start gap-2 rounded-3xl border border-line bg-sheet p-5">
        <h2 id="order" className="font-bold">
          {isOwn ? 'Your' : 'Their'} order, and the procedure’s
        </h2>
        <OrderDrawing plan={plan} score={score} />
        {broken.map((pair) => (
          <p key={`${pair.before} ${pair.after}`}>
            <strong className="text-stop">
              {stepName({ id: pair.before })} comes before {stepName({ id: pair.after })}.
            </strong>{' '}
            Crossed: {pair.why}
          </p>
        ))}
        {broken.length === 0 ? <p className="text-soft">Nothing that binds was out of order.</p> : null}
        {score.another.length > 0 ? (
          <p className="text-soft">
            Another order than is usual here, which costs nothing:{' '}
            {score.another.map(({ before, after }) => `${stepName({ id: after })} before ${stepName({ id: before })}`).join('; ')}.
          </p>
        ) : null}
      </section>
      <section aria-labelledby="numbers" className="grid content-start gap-2 rounded-3xl border border-line bg-sheet p-5">
        <h2 id="numbers" className="font-bold">
          Figures
        </h2>
        {score.numbers.map((mark) => (
          <Figure key={mark.decision} mark={mark} />
        ))}
        {score.numbers.length === 0 ? <p className="text-soft">None was asked.</p> : null}
      </section>
      <section aria-labelledby="times" className="grid content-start gap-2 rounded-3xl border border-line bg-sheet p-5">
        <h2 id="times" className="font-bold">
          Time by step
        </h2>
        <StepTimes score={score} bands={bands} />
      </section>
    </div>
  )
}

/** How long each step took, and how long the middle half of others took for it. */
function StepTimes({ score, bands }: { score: StationScore; bands: readonly StepBand[] }) {
  const longestMs = Math.max(1, ...score.steps.map((step) => step.tookMs), ...bands.map((band) => band.highMs))
  const share = (ms: number): string => `${(100 * ms) / longestMs}%`
  return (
    <>
      <ol className={`gap-5 text-[0.95rem] ${bands.length > 0 ? '' : 'columns-2'}`}>
        {score.steps.map((step) => {
          const band = bands.find((other) => other.stepId === step.stepId)
          return (
            <li key={step.stepId} className="flex items-center justify-between gap-2">
              <span className="min-w-0 flex-1 leading-tight">{stepName({ id: step.stepId })}</span>
              {band ? (
                <span className="relative h-3 w-2/5 shrink-0 rounded-full bg-well" aria-hidden>
                  <span
                    className="absolute inset-y-0 rounded-full bg-soft/40"
                    style={{ left: share(band.lowMs), width: share(Math.max(longestMs / 60, band.highMs - band.lowMs)) }}
                  />
                  <span className="absolute inset-y-0 w-0.5 bg-soft" style={{ left: share(band.medianMs) }} />
                  <span
                    className="absolute -inset-y-0.5 w-1 rounded-full bg-ink"
                    style={{ left: `min(${share(step.tookMs)}, calc(100% - 4px))` }}
                  />
                </span>
              ) : null}
              <span className="numeral w-16 shrink-0 text-right text-soft">
                {(step.tookMs / 1000).toFixed(1)} s
                {band ? (
                  <span className="sr-only">
                    , others {(band.lowMs / 1000).toFixed(0)} to {(band.highMs / 1000).toFixed(0)} s
                  </span>
                ) : null}
              </span>
            </li>
          )
        })}
      </ol>
      <p className="text-sm text-soft">
        {bands.length > 0
          ? 'Light: the middle half of others, with their median. Dark: this run.'
          : 'How long others took stands here once three have done it.'}
      </p>
    </>
  )
}

function Figure({ mark }: { mark: NumberMark }) {
  const unit = mark.unit ? ` ${mark.unit}` : ''
  const right = typeof mark.right === 'number' ? Number(mark.right.toFixed(2)) : mark.right
  return (
    <div className="grid gap-0.5 border-b border-line pb-1.5 last:border-b-0">
      <p className="flex flex-wrap justify-between gap-x-3">
        <span>{mark.label}</span>
        <span className="numeral">
          <strong>{mark.given === null || mark.given === '' ? 'nothing given' : `${mark.given}${unit}`}</strong>
          <span className="text-soft">
            {' '}
            right: {right}
            {unit}, {(100 * mark.share).toFixed(0)} %
          </span>
        </span>
      </p>
      <p className="text-sm text-soft">
        {mark.formula}
        {mark.tolerance === null ? '' : ` Tolerance ${Number(mark.tolerance.toFixed(2))}${unit}; three times that is worth nothing.`}
      </p>
    </div>
  )
}

function clock(ms: number): string {
  const seconds = Math.round(ms / 1000)
  return `${Math.floor(seconds / 60)} min ${seconds % 60} s`
}
