import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Plan } from '#core/model/plan'
import { cautionsBrought } from '#core/planner/compare-plans'
import { asksCheck, unmarkedStraps, type BindingStop } from '#core/runs/what-binds'
import { bindingOf } from '#ward/standing/stops-on-step'
import { hasRight } from '#contract/rights'
import { usePerson } from '../../sync/session-store'
import { useStanding } from '../../case/standing/use-standing'
import { serverNow } from '../../sync/server-clock'
import { isFreeingRun } from '#contract/records/run-kind'
import { strapMarksAt } from '#contract/records/run'
import type { Step } from '#core/model/step'
import { useKey } from '../../parts/use-key'
import { Button } from '../../parts/button'
import type { OpenCase } from '../../sync/case-store'
import { usePlan } from '../../case/plan/use-plan'
import { StepBody } from './step-body'
import { beginAtSentence } from './step-headline'
import { StopsOnStep } from './stops-on-step'
import { underneathAt } from './underneath-work'
import { leadsElsewhere, type RunControl } from './use-run'

/** Two presses closer together than this are one, ms. */
const bounceMs = 350
/** Somebody else ticked the step before: a press so soon after was meant for that one, ms. */
const othersMs = 700

export interface StepActions {
  readonly onDone: () => void
  readonly onBack: (() => void) | null
  readonly onSkip: () => void
  /** Goes on, or passes it by, although a stop stands on the step. */
  readonly onDespite: (stops: readonly BindingStop[], how: 'done' | 'skipped') => void
}

/** One step in large type, with the way on and back; the frame stays while its content changes, so that the focus does. */
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
  const { steps, mayTick } = control
  const isArriving = useRef(true)
  useEffect(() => {
    if (card.current) beginAtSentence(card.current, isArriving.current)
    isArriving.current = false
  }, [step.id])
  const [checkedStep, setCheckedStep] = useState<string | null>(null)
  const setChecked = useCallback((isChecked: boolean) => setCheckedStep(isChecked ? step.id : null), [step.id])
  const { cautions: live } = usePlan(open)
  const isOpening = isFreeingRun(control.run)
  const standing = useStanding(open)
  const { run } = control
  const { stops, ways } = useMemo(
    () => bindingOf(open, run, plan, step, live, standing, serverNow()),
    [open, run, plan, step, live, standing],
  )
  const brought = cautionsBrought(plan.cautions, live).filter((caution) => caution.level !== 'stop' && caution.steps.includes(step.id))
  const unmarked = isOpening ? [] : unmarkedStraps(step, strapMarksAt(control.run, step.id))
  const lacksPull = step.pull !== undefined && !control.run.pulls?.some((pull) => pull.stepId === step.id)
  const lacksLook = step.underneath !== undefined && underneathAt(run, step.id) === null
  const first = missingFirst({ unmarked, lacksPull, lacksLook, lacksCheck: asksCheck(step) && checkedStep !== step.id })
  const blocked = first ?? (ways.isDoneFree ? null : 'A stop stands on this step: it is said above.')
  const isBlocked = blocked !== null
  const refuses = mayTick ? blocked : leadsElsewhere
  const { onBack } = actions
  const { name, roles } = usePerson()
  const last = run.steps.at(-1)
  const shownAt = useRef(0)
  const onDone = (): void => {
    const isMovedByOther = last !== undefined && last.by !== name
    if (!isMovedByOther || performance.now() - shownAt.current >= othersMs) actions.onDone()
  }
  // Passing a step by answers for what stands on it as going on does; what waits for an order, or is fixed, offers neither.
  const mayDecide = hasRight(roles, 'decide')
  const skipOver = ways.despite === 'with-reason' && mayDecide ? (): void => actions.onDespite(stops, 'skipped') : null
  const onSkip = ways.isSkipFree ? actions.onSkip : skipOver
  useEffect(() => {
    shownAt.current = performance.now()
  }, [step.id])
  useKey([' ', 'PageDown', 'Backspace'], (event) => {
    if (!mayTick || isOnControl(event)) return
    event.preventDefault()
    // A pedal held down repeats, one that bounces sends twice: neither may finish a step that nobody has read.
    // The press's own time counts: a slow page hears it late.
    if (event.repeat || event.timeStamp - shownAt.current < bounceMs) return
    if (event.key === 'Backspace') onBack?.()
    else if (!step.confirm && !step.optional && !isBlocked) onDone()
  })
  return (
    <section
      ref={card}
      tabIndex={0}
      aria-label={`Step ${steps.indexOf(step) + 1} of ${steps.length}`}
      className="grid content-start gap-3 border-line bg-sheet p-3 pb-0 max-sm:-mx-3 max-sm:-mt-3 max-sm:border-b sm:gap-4 sm:rounded-3xl sm:border sm:p-6 sm:pb-0"
    >
      <StopsOnStep open={open} stops={stops} ways={ways} mayTick={mayTick} onDespite={() => actions.onDespite(stops, 'done')} />
      <StepBody key={step.id} open={open} plan={plan} step={step} control={control} brought={brought} onChecked={setChecked} />
      <div className="sticky bottom-0 -mx-3 flex flex-wrap items-center gap-3 rounded-b-3xl border-t border-line bg-sheet px-3 py-3 pointer-coarse:hidden sm:-mx-6 sm:px-6">
        <Button
          look={step.optional ? 'plain' : 'next'}
          className="min-h-16 flex-1 text-lg sm:flex-none sm:px-10"
          refuses={refuses}
          onRefused={() => card.current?.querySelector('[data-needed]')?.scrollIntoView({ block: 'center' })}
          onClick={onDone}
        >
          {step.confirm ?? 'Done'}
        </Button>
        {onBack ? (
          <Button onClick={onBack} refuses={mayTick ? null : leadsElsewhere} className="min-h-16">
            Back
          </Button>
        ) : null}
        {onSkip ? (
          <Button look={step.optional ? 'plain' : 'quiet'} onClick={onSkip} refuses={mayTick ? null : leadsElsewhere} className="min-h-16">
            {step.optional ? 'Not needed' : 'Skip'}
          </Button>
        ) : null}
        <p className="text-sm text-soft max-sm:hidden">
          {first ?? (step.confirm || step.optional ? 'Needs its own button.' : 'Space goes on, Backspace goes back.')}
        </p>
      </div>
      <TouchHalves step={step} refuses={refuses} mayTick={mayTick} actions={{ ...actions, onDone }} onSkip={onSkip} />
      {onSkip && !step.optional ? (
        // Below the halves: seldom wanted, and never met by a thumb on its way to them.
        <p className="-mt-2 hidden justify-center pointer-coarse:flex">
          <Button look="quiet" className="min-h-11" refuses={mayTick ? null : leadsElsewhere} onClick={onSkip}>
            Skip this step
          </Button>
        </p>
      ) : null}
    </section>
  )
}

/** What of a step comes before it is done, in words; null where nothing does. */
function missingFirst({
  unmarked,
  lacksPull,
  lacksLook,
  lacksCheck,
}: {
  unmarked: readonly string[]
  lacksPull: boolean
  lacksLook: boolean
  lacksCheck: boolean
}): string | null {
  if (unmarked.length > 0) return `To be marked first: ${unmarked.join(', ')}.`
  if (lacksPull) return 'The load and the pain are kept first.'
  if (lacksLook) return 'What is under it is said first.'
  return lacksCheck ? 'Circulation, feeling and movement are recorded first.' : null
}

/** Whether a key belongs to the control that has the focus; PageDown means nothing to any of them. */
function isOnControl(event: KeyboardEvent): boolean {
  if (event.key === 'PageDown' || !(event.target instanceof Element)) return false
  return event.target.closest('button, a, summary, [role="radio"], [role="checkbox"], [role="combobox"]') !== null
}

/** Left half back, right half on, for wet gloves; a step with its own words keeps its own button above. */
function TouchHalves({
  step,
  refuses,
  mayTick,
  actions,
  onSkip,
}: {
  step: Step
  /** Why it cannot be finished now; null where it can. */
  refuses: string | null
  mayTick: boolean
  actions: StepActions
  /** Null where the step cannot be passed by. */
  onSkip: (() => void) | null
}) {
  const { onDone, onBack } = actions
  return (
    <div className="sticky bottom-0 -mx-3 hidden gap-2 border-t border-line bg-sheet px-3 py-3 pointer-coarse:grid sm:-mx-6">
      {step.confirm ? (
        <Button look="next" className="min-h-16 text-lg" refuses={refuses} onClick={onDone}>
          {step.confirm}
        </Button>
      ) : null}
      <div className="grid grid-cols-2 gap-2">
        <Button
          className={`text-lg ${step.confirm ? 'min-h-16' : 'min-h-24'}`}
          refuses={!mayTick ? leadsElsewhere : onBack ? null : 'This is the first step.'}
          onClick={() => onBack?.()}
        >
          ‹ Back
        </Button>
        {step.confirm ? (
          <p className="grid place-content-center rounded-2xl border border-dashed border-soft px-2 text-center text-sm text-soft">
            Its own button is above.
          </p>
        ) : (
          <Button look={step.optional ? 'plain' : 'next'} className="min-h-24 text-xl" refuses={refuses} onClick={onDone}>
            Done ›
          </Button>
        )}
      </div>
      {onSkip && step.optional ? (
        <Button className="min-h-24 text-xl" refuses={mayTick ? null : leadsElsewhere} onClick={onSkip}>
          Not needed
        </Button>
      ) : null}
    </div>
  )
}
