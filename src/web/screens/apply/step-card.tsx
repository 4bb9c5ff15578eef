import { useEffect, useRef, useState } from 'react'
import type { HandPlace, Plan, Step } from '#core/plan/plan'
import type { RunRecord } from '#contract/run-record'
import { patientLabel } from '#contract/episode-record'
import { useNow } from '../../hooks/use-now'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import type { OpenCase } from '../../stores/case-store'
import { formatLeft } from '../patient-strip'
import { CheckGate } from './check-gate'

/** Who stands where, by the part of the body that is worked on. */
function handWords(place: HandPlace, body: Plan['geometry']['body']): string {
  const isLeg = body === 'leg' || body === 'none'
  switch (place) {
    case 'apply':
      return 'You'
    case 'fetch':
      return 'Whoever fetches'
    case 'hold-distal':
      return isLeg ? 'Helper at the foot' : body === 'arm' ? 'Helper at the hand' : 'Helper at the legs'
    case 'hold-joint':
      return isLeg ? 'Helper at the knee' : body === 'arm' ? 'Helper at the elbow' : 'Helper at the head'
    case 'hold-proximal':
      return isLeg ? 'Helper under the thigh' : body === 'arm' ? 'Helper at the upper arm' : 'Helper at shoulder and hip'
  }
}

/** One step in large type: what, why, which mistake, whose hands, and its cautions where they bite. */
export function StepCard({
  open,
  plan,
  step,
  run,
  index,
  count,
  onDone,
  onBack,
  onSkip,
}: {
  open: OpenCase
  plan: Plan
  step: Step
  run: RunRecord
  index: number
  count: number
  onDone: () => void
  onBack: (() => void) | null
  onSkip: () => void
}) {
  const card = useRef<HTMLElement>(null)
  useEffect(() => card.current?.focus({ preventScroll: true }), [step.id])
  const [isChecked, setChecked] = useState(false)
  const isCheck = step.id === 'baseline' || step.id === 'after-check'
  const cautions = plan.cautions.filter((caution) => caution.steps.includes(step.id))
  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (event.target !== event.currentTarget) return
    if (event.key === 'Backspace' && onBack) {
      event.preventDefault()
      onBack()
    } else if (event.key === ' ' || event.key === 'PageDown') {
      event.preventDefault()
      if (!step.confirm) onDone()
    }
  }
  const hands = [...new Set([...step.hands, ...(step.holds ? [step.holds.place] : [])])]
  return (
    <section
      ref={card}
      tabIndex={0}
      onKeyDown={onKeyDown}
      aria-label={`Step ${index + 1} of ${count}`}
      className="slide-in grid content-start gap-4 rounded-3xl border border-line bg-sheet p-5 sm:p-7"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="numeral text-soft">
          Step {index + 1} of {count}
        </p>
        {step.wet ? <p className="rounded-lg bg-ink px-2.5 py-0.5 font-bold text-paper">while it is wet</p> : null}
        <RunTimers run={run} isWet={step.wet || step.id === 'hold-set'} />
      </div>
      <p className="max-w-[34ch] text-[1.6rem] leading-[1.25] font-semibold text-balance sm:max-w-none sm:text-[1.85rem]">{step.text}</p>
      <p className="flex flex-wrap gap-2">
        {hands.map((place) => (
          <span key={place} className="rounded-lg bg-well px-2.5 py-1 font-semibold">
            {handWords(place, plan.geometry.body)}
          </span>
        ))}
      </p>
      <div className="grid gap-x-8 gap-y-1 text-[1.02rem] sm:grid-cols-2">
        <p>
          <span className="block text-sm font-bold text-soft">Why</span>
          {step.why}
        </p>
        <p>
          <span className="block text-sm font-bold text-soft">Prevents</span>
          {step.prevents}
        </p>
      </div>
      {cautions.map((caution) => (
        <Notice key={caution.code} tone={caution.level} lead={caution.text}>
          {caution.why}
          {caution.overruled ? ` Set aside: ${caution.overruled.reason}` : ''}
        </Notice>
      ))}
      {step.id === 'identity' ? <Identifiers open={open} /> : null}
      {isCheck ? <CheckGate open={open} isBaseline={step.id === 'baseline'} since={run.startedAt} onChecked={setChecked} /> : null}
      <div className="mt-1 flex flex-wrap items-center gap-3">
        <Button look="next" className="min-h-16 flex-1 text-lg sm:flex-none sm:px-10" disabled={isCheck && !isChecked} onClick={onDone}>
          {step.confirm ?? 'Done'}
        </Button>
        {onBack ? (
          <Button onClick={onBack} className="min-h-16">
            Back
          </Button>
        ) : null}
        <Button look="quiet" onClick={onSkip} className="min-h-16">
          {step.optional ? 'Not planned' : 'Skip'}
        </Button>
        <p className="text-sm text-soft max-sm:hidden">{step.confirm ? 'Needs its own button.' : 'Space goes on, Backspace goes back.'}</p>
      </div>
    </section>
  )
}

function Identifiers({ open }: { open: OpenCase }) {
  const { patient } = open.episode
  const facts = [patientLabel(patient), patient.born ? `born ${patient.born}` : '', patient.number].filter(Boolean)
  return (
    <p className="rounded-2xl bg-well px-4 py-3 text-lg font-bold">
      {facts.join(' · ')}
      {patient.isTemporary ? (
        <span className="block text-base font-semibold text-caution">
          Temporary name: check the wristband, and the side with the patient.
        </span>
      ) : null}
    </p>
  )
}

function RunTimers({ run, isWet }: { run: RunRecord; isWet: boolean }) {
  const now = useNow(250)
  const timer = run.timers.at(-1)
  if (!timer || !isWet) return null
  const left = Date.parse(timer.startedAt) + timer.minutes * 60_000 - now
  const share = Math.min(1, Math.max(0, left / (timer.minutes * 60_000)))
  return (
    <div className="ml-auto min-w-52 flex-1 sm:flex-none">
      <p className="flex items-baseline justify-between gap-3 font-bold">
        <span>{left < 0 ? 'Set' : 'Sets in'}</span>
        <span role="timer" aria-label={timer.label} className={`numeral text-2xl ${left < 60_000 ? 'text-caution' : ''}`}>
          {formatLeft(left)}
        </span>
      </p>
      <div aria-hidden className="h-2.5 overflow-hidden rounded-full bg-well">
        <div className={`h-full ${left < 60_000 ? 'bg-caution' : 'bg-citrus-deep'}`} style={{ width: `${share * 100}%` }} />
      </div>
    </div>
  )
}
