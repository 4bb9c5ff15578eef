import { useEffect, useRef, useState } from 'react'
import type { Plan, Step } from '#core/plan/plan'
import { timersOf } from '#core/plan/step-work'
import { stepName } from '#core/plan/step-name'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import type { OpenCase } from '../../stores/case-store'
import { useSettings } from '../../stores/session-store'
import { AngleWork } from './angle-work'
import { CheckGate } from './check-gate'
import { HandChips } from './hand-chips'
import { Identifiers } from './identifiers'
import { PullWork } from './pull-work'
import { handsAt } from './run-state'
import { StrapWork } from './strap-work'
import type { RunControl } from './use-run'
import { WetClock } from './wet-clock'

export interface StepActions {
  readonly onDone: () => void
  readonly onBack: (() => void) | null
  readonly onSkip: () => void
}

/** Whether a step asks for a recorded check before it can be confirmed. */
function asksCheck(step: Step): boolean {
  return step.id === 'baseline' || step.id === 'after-check'
}

/** One step in large type: what, why, which mistake, whose hands, its work, and its cautions where they bite. */
export function StepCard({
  open,
  plan,
  step,
  control,
  actions,
}: {
  open: OpenCase
  plan: Plan
  step: Step
  control: RunControl
  actions: StepActions
}) {
  const card = useRef<HTMLElement>(null)
  const { units } = useSettings()
  const { run, steps, isDriver, missingBefore, isRepeat } = control
  useEffect(() => card.current?.focus({ preventScroll: true }), [step.id])
  const [isChecked, setChecked] = useState(false)
  const cautions = plan.cautions.filter((caution) => caution.steps.includes(step.id))
  const isBlocked = asksCheck(step) && !isChecked
  const { onDone, onBack, onSkip } = actions
  const onKeyDown = (event: React.KeyboardEvent): void => {
    if (event.target !== event.currentTarget || !isDriver) return
    if (event.key === 'Backspace' && onBack) {
      event.preventDefault()
      onBack()
    } else if (event.key === ' ' || event.key === 'PageDown') {
      event.preventDefault()
      if (!step.confirm && !isBlocked) onDone()
    }
  }
  return (
    <section
      ref={card}
      tabIndex={0}
      onKeyDown={onKeyDown}
      aria-label={`Step ${steps.indexOf(step) + 1} of ${steps.length}`}
      className="slide-in grid content-start gap-4 rounded-3xl border border-line bg-sheet p-4 pb-0 sm:p-6 sm:pb-0"
    >
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="numeral text-soft">
          Step {steps.indexOf(step) + 1} of {steps.length}
        </p>
        {step.wet ? <p className="rounded-lg bg-ink px-2.5 py-0.5 font-bold text-paper">while it is wet</p> : null}
        {isRepeat ? <p className="rounded-lg border border-known px-2.5 py-0.5 font-bold">once more</p> : null}
        {step.wet || step.id === 'hold-set' ? <WetClock run={run} /> : null}
      </div>
      <p
        className={`max-w-[34ch] text-[1.5rem] leading-[1.25] font-semibold text-balance sm:max-w-none ${step.text.length > 110 ? 'sm:text-[1.5rem]' : 'sm:text-[1.8rem]'}`}
      >
        {step.text}
      </p>
      {missingBefore.length > 0 ? (
        <Notice tone="caution" lead={`Out of order: before it comes ${missingBefore.map(stepName).join(', ')}`}>
          It can be done now; a reason is asked for and kept.
        </Notice>
      ) : null}
      <HandChips record={open.record} run={run} places={handsAt(steps, step)} body={plan.geometry.body} />
      {cautions.map((caution) => (
        <Notice key={caution.code} tone={caution.level} lead={caution.text}>
          {caution.why}
          {caution.overruled ? ` Set aside: ${caution.overruled.reason}` : ''}
        </Notice>
      ))}
      {step.id === 'identity' ? <Identifiers open={open} /> : null}
      {asksCheck(step) ? <CheckGate open={open} isBaseline={step.id === 'baseline'} since={run.startedAt} onChecked={setChecked} /> : null}
      {step.angles?.length ? <AngleWork run={run} step={step} angles={step.angles} /> : null}
      {step.pull ? <PullWork run={run} step={step} pull={step.pull} /> : null}
      {step.straps?.straps.length ? <StrapWork run={run} step={step} work={step.straps} units={units} /> : null}
      <AskedTimers step={step} control={control} />
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
      <div className="sticky bottom-0 -mx-4 flex flex-wrap items-center gap-3 rounded-b-3xl border-t border-line bg-sheet px-4 py-3 pointer-coarse:hidden sm:-mx-6 sm:px-6">
        <Button look="next" className="min-h-16 flex-1 text-lg sm:flex-none sm:px-10" disabled={isBlocked || !isDriver} onClick={onDone}>
          {step.confirm ?? 'Done'}
        </Button>
        {onBack ? (
          <Button onClick={onBack} disabled={!isDriver} className="min-h-16">
            Back
          </Button>
        ) : null}
        <Button look="quiet" onClick={onSkip} disabled={!isDriver} className="min-h-16">
          {step.optional ? 'Not planned' : 'Skip'}
        </Button>
        <p className="text-sm text-soft max-sm:hidden">{step.confirm ? 'Needs its own button.' : 'Space goes on, Backspace goes back.'}</p>
      </div>
      <TouchHalves step={step} isBlocked={isBlocked || !isDriver} isDriver={isDriver} actions={actions} />
    </section>
  )
}

/** Timers that start only when they are asked for. */
function AskedTimers({ step, control }: { step: Step; control: RunControl }) {
  const asked = timersOf(step).filter((timer) => timer.starts === 'asked')
  if (asked.length === 0) return null
  return (
    <p className="flex flex-wrap gap-3">
      {asked.map((timer) => (
        <Button key={timer.id} onClick={() => control.startTimer(timer)}>
          {timer.label}: start {timer.minutes} min
        </Button>
      ))}
    </p>
  )
}

/** Left half back, right half on, for wet gloves; a step with its own words keeps its own button above. */
function TouchHalves({ step, isBlocked, isDriver, actions }: { step: Step; isBlocked: boolean; isDriver: boolean; actions: StepActions }) {
  const { onDone, onBack, onSkip } = actions
  return (
    <div className="sticky bottom-0 -mx-4 hidden gap-2 border-t border-line bg-sheet px-3 py-3 pointer-coarse:grid sm:-mx-6">
      {step.confirm ? (
        <Button look="next" className="min-h-16 text-lg" disabled={isBlocked} onClick={onDone}>
          {step.confirm}
        </Button>
      ) : null}
      <div className="grid grid-cols-2 gap-2">
        <Button className="min-h-24 text-lg" disabled={!onBack || !isDriver} onClick={() => onBack?.()}>
          ‹ Back
        </Button>
        {step.confirm ? (
          <Button className="min-h-24" disabled={!isDriver} onClick={onSkip}>
            {step.optional ? 'Not planned' : 'Skip'}
          </Button>
        ) : (
          <Button look="next" className="min-h-24 text-xl" disabled={isBlocked} onClick={onDone}>
            Done ›
          </Button>
        )}
      </div>
      {step.confirm ? null : (
        <Button look="quiet" className="min-h-11" disabled={!isDriver} onClick={onSkip}>
          {step.optional ? 'Not planned' : 'Skip this step'}
        </Button>
      )}
    </div>
  )
}
