import { kindOfRun } from '#contract/records/run-kind'
import { inUnits } from '#core/quantities/words-in-units'
import { stepName } from '#core/runs/step-name'
import type { Caution, Plan } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { hasStepRole } from '#core/model/step-role'
import { saidLines } from '#core/runs/said-lines'
import { asksCheck, freshSince } from '#core/runs/what-binds'
import { timersOf } from '#core/runs/step-work'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { StepLines } from '../../parts/step-lines'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { FitTests } from '../../case/readings/fit-tests'
import { ReadingWork } from './reading-work'
import { useSettings } from '../../sync/session-store'
import { AngleWork } from '../../case/readings/angle-work'
import { CheckGate } from './check-gate'
import { HandChips } from './hand-chips'
import { Identifiers } from './identifiers'
import { PullWork } from './pull-work'
import { ReadAloudSwitch } from './read-aloud'
import { handsAt } from '#core/runs/hands-at'
import { CallAct } from '../../case/standing/call-act'
import { useCalling } from '../../case/standing/use-calling'
import { useStanding } from '../../case/standing/use-standing'
import { StepHeadline } from './step-headline'
import { LineSwitch, StepLine, useStepLine } from './step-line'
import { StrapWork } from './strap-work'
import { UnderneathWork } from './underneath-work'
import type { RunControl } from './use-run'

/** Whether a step stands for the call: who was paged, heard and answered stands there. */
function isCall({ answers }: Step): boolean {
  return answers?.some((id) => id === 'call-senior' || id === 'call-and-open') === true
}

function StepCall({ open }: { open: OpenCase }) {
  const calling = useCalling(open, useStanding(open))
  return calling ? <CallAct calling={calling} isNext={false} /> : null
}

/** What a step says and what is done in it: its words, whose hands, its work, and its cautions where they bite. */
export function StepBody({
  open,
  plan,
  step,
  control,
  brought,
  onChecked,
}: {
  open: OpenCase
  plan: Plan
  step: Step
  control: RunControl
  /** Cautions of this step that came since the plan of the run was made. */
  brought: readonly Caution[]
  onChecked: (isChecked: boolean) => void
}) {
  const { units } = useSettings()
  const { run, steps, missingBefore, isRepeat } = control
  const cautions = inUnits(
    plan.cautions.filter((caution) => caution.steps.includes(step.id)),
    units,
  )
  const said = inUnits(step, units)
  const { headline: first, lines } = saidLines(said)
  const isCut = lines.length > 0 && !said.items
  const headline = said.items ? said.text : first
  const { isLine, toggle } = useStepLine()
  const number = steps.indexOf(step) + 1
  const switches = (
    <span className="ml-auto flex flex-wrap items-center justify-end gap-1">
      <LineSwitch isLine={isLine} onToggle={toggle} />
      <ReadAloudSwitch step={said} number={number} cautions={[...cautions, ...inUnits(brought, units)]} />
    </span>
  )
  // A step with work of its own, or that something speaks against, stands on the whole card.
  const hasMore =
    asksCheck(step) ||
    hasStepRole(step, 'identity') ||
    step.pull !== undefined ||
    step.straps !== undefined ||
    step.underneath !== undefined ||
    step.waitsFor !== undefined ||
    isCall(step) ||
    missingBefore.length > 0 ||
    timersOf(step).some((timer) => timer.starts === 'asked') ||
    [step.angles, step.reads, step.fits].some((work) => (work?.length ?? 0) > 0)
  if (isLine && !hasMore)
    return (
      <div className="slide-in grid gap-2">
        <div className="flex flex-wrap items-center gap-3">{switches}</div>
        <StepLine step={said} number={number} of={steps.length} cautions={[...cautions, ...inUnits(brought, units)]} />
      </div>
    )
  return (
    <div className="slide-in grid content-start gap-4 [&_p]:[text-wrap:wrap]">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <p className="numeral text-soft">
          Step {number} of {steps.length}
        </p>
        {kindOfRun(run) === 'again' ? <p className="rounded-lg border border-known px-2.5 py-0.5 font-bold">put on again</p> : null}
        {step.wet ? <p className="rounded-lg bg-ink px-2.5 py-0.5 font-bold text-paper">while it is wet</p> : null}
        {isRepeat ? <p className="rounded-lg border border-known px-2.5 py-0.5 font-bold">once more</p> : null}
        {switches}
      </div>
      <StepHeadline
        text={headline}
        number={number}
        of={steps.length}
        className={`max-w-[34ch] leading-[1.25] sm:max-w-none ${isCut ? 'text-[1.3rem]' : 'text-[1.5rem]'} ${headline.length > 110 ? '' : 'sm:text-[1.8rem]'}`}
      />
      <StepLines step={said} className="max-w-[60ch] text-base sm:text-[1.05rem]" />
      {step.say ? (
        <p className="max-w-[60ch] border-l-4 border-known pl-3 text-[1.05rem]">
          <span className="block text-sm font-bold text-soft">Say to the patient</span>“{said.say}”
        </p>
      ) : null}
      {missingBefore.length > 0 ? (
        <Notice tone="caution" lead={`Out of order: before it comes ${missingBefore.map((open) => stepName(open.step)).join(', ')}`}>
          {[...new Set(missingBefore.map(({ harm }) => harm))].join('; ')}. It can be done now; a reason is asked for and kept.
        </Notice>
      ) : null}
      <HandChips record={open.record} run={run} places={handsAt(steps, step)} body={plan.geometry.body} />
      {cautions.map((caution) => (
        <Notice key={caution.code} tone={caution.level} lead={caution.text}>
          {caution.why}
          {caution.overruled ? ` Set aside: ${caution.overruled.reason}` : ''}
        </Notice>
      ))}
      {hasStepRole(step, 'identity') ? <Identifiers open={open} /> : null}
      {asksCheck(step) ? (
        <CheckGate
          open={open}
          isBaseline={hasStepRole(step, 'baseline')}
          since={freshSince(step, run.steps, run.startedAt)}
          onChecked={onChecked}
        />
      ) : null}
      {isCall(step) ? <StepCall open={open} /> : null}
      {step.angles?.length ? <AngleWork run={run} step={step} angles={step.angles} /> : null}
      {step.pull ? <PullWork run={run} step={step} pull={step.pull} /> : null}
      {step.straps?.straps.length ? <StrapWork run={run} step={step} work={step.straps} units={units} /> : null}
      {step.underneath ? <UnderneathWork run={run} step={step} /> : null}
      {step.reads?.length ? <ReadingWork open={open} step={step} startedMs={Date.parse(run.startedAt)} brought={brought} /> : null}
      {step.fits?.length ? (
        <FitTests
          tests={plan.fit.filter((test) => step.fits?.includes(test.id))}
          record={open.record}
          onSave={(body) => void writeEvent('fit', body)}
        />
      ) : null}
      <AskedTimers step={step} control={control} />
      <div className="grid gap-x-8 gap-y-1 text-[1.02rem] sm:grid-cols-2">
        <p>
          <span className="block text-sm font-bold text-soft">Why</span>
          {said.why}
        </p>
        <p>
          <span className="block text-sm font-bold text-soft">Prevents</span>
          {said.prevents}
        </p>
      </div>
    </div>
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
