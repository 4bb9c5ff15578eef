import { useMemo, useState, type ReactNode } from 'react'
import { useNavigate } from 'react-router'
import { findTechnique } from '#core/techniques/registry'
import type { BindingStop } from '#core/runs/what-binds'
import type { Step } from '#core/model/step'
import { runningHold } from '#ward/case/run-clocks'
import { hasOwnPlan, isOpeningRun, kindOfRun, type RunKind } from '#contract/records/run-kind'
import { runInSight, sideStateOf } from '#ward/case/side-state'
import { outcomesOf, type RunRecord } from '#contract/records/run'
import { stepName } from '#core/runs/step-name'
import { stepOnLane } from '../../lane/step-on-lane'
import { usePlanOfRun } from '../../case/plan/use-plan'
import { useWakeLock } from '../../parts/use-wake-lock'
import { Button, ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { serverNow } from '../../sync/server-clock'
import { useOpenCase, type OpenCase } from '../../sync/case-store'
import { useSettings } from '../../sync/session-store'
import { BeginWithout } from '../../case/run/begin-without'
import { DriverBanner } from './driver-banner'
import { HeldRun } from './held-run'
import { HoldEnd } from './hold-end'
import { SlipUndo } from './slip-undo'
import { ReasonSheet } from '../../case/run/reason-sheet'
import { alsoOpen, nameAt } from '../../case/run/run-state'
import { RunLane } from './run-lane'
import { SettingClock } from './setting-clock'
import { ScribeNote } from './scribe-note'
import { StepCard, type StepActions } from './step-card'
import { StepTrail } from './step-trail'
import { useRun, type RunControl } from './use-run'

/** The run: one step at a time in large type; where it stands is what was recorded, so a reload goes on there. */
export function ApplyScreen() {
  const open = useOpenCase()
  const { record } = open
  const state = sideStateOf(record, open.episode)
  const run = runInSight(record, state)
  if (state !== 'settled' && !run) return <HeldRun open={open} state={state} />
  const needsNoPlan = run !== undefined && (run.withoutPlan !== undefined || run.care !== undefined || hasOwnPlan(run))
  if (!record.accepted && !needsNoPlan) {
    return (
      <NotYet caseId={record.id} words="The plan is not accepted yet." to="choose" label="Choose">
        {run ? null : <BeginWithout open={open} />}
      </NotYet>
    )
  }
  if (!run) return <NotYet caseId={open.record.id} words="Nothing is laid out yet." to="make-ready" label="Make ready" />
  return <Run key={run.id} open={open} run={run} />
}

function NotYet({
  caseId,
  words,
  to,
  label,
  children,
}: {
  caseId: string
  words: string
  to: string
  label: string
  children?: ReactNode
}) {
  return (
    <main id="main" className="mx-auto grid w-full max-w-lg flex-1 content-start gap-4 p-6">
      <h1 className="text-xl font-bold">Apply</h1>
      <Notice tone="note" lead={words} />
      <ButtonLink look="next" to={`/case/${caseId}/${to}`}>
        {label}
      </ButtonLink>
      {children}
    </main>
  )
}

function Run({ open, run }: { open: OpenCase; run: RunRecord }) {
  const { record } = open
  const plan = usePlanOfRun(open, run)
  const { units } = useSettings()
  const navigate = useNavigate()
  const control = useRun(open, run, plan)
  const [asking, setAsking] = useState<'skip' | 'order' | 'hold' | null>(null)
  const [despite, setDespite] = useState<{ readonly stops: readonly BindingStop[]; readonly how: 'done' | 'skipped' } | null>(null)
  const [isListOpen, setListOpen] = useState(false)
  const { step, steps } = control
  useWakeLock(step !== null)

  const after = afterRun(record.id, run)
  const finish = (reason: string): void => {
    if (control.finish(reason)) void navigate(after.to)
  }
  const holdTimer = step ? runningHold(run, step, serverNow()) : null
  const actions: StepActions = {
    onDone: () => (holdTimer ? setAsking('hold') : control.missingBefore.length > 0 ? setAsking('order') : finish('')),
    onBack: control.previous ? control.back : null,
    onSkip: () => (step?.optional ? control.skip('') : setAsking('skip')),
    onDespite: (stops, how) => setDespite({ stops, how }),
  }
  const said = run.steps.findLast(({ reason }) => reason !== '')?.reason ?? null
  const others = useMemo(() => alsoOpen(steps, run, step), [steps, run, step])
  const onLane = useMemo(() => {
    const skipped = new Set([...outcomesOf(run)].flatMap(([id, outcome]) => (outcome === 'skipped' ? [id] : [])))
    return stepOnLane(steps, plan.geometry, step, (place) => nameAt(record.crew, place), skipped)
  }, [run, steps, plan.geometry, step, record.crew])
  return (
    <>
      <main
        id="main"
        className="mx-auto w-full max-w-[92rem] flex-1 lg:grid lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)] lg:items-start lg:gap-6 lg:px-5 lg:py-4"
      >
        <div className="contents lg:sticky lg:top-[calc(var(--stuck-row,0px)+1rem)] lg:grid lg:grid-cols-[minmax(0,1fr)] lg:gap-4">
          <RunLane isStrip run={run} steps={steps} geometry={plan.geometry} units={units} {...onLane} />
          <SettingClock caseId={record.id} run={run} steps={steps} step={step} />
          <div className="max-lg:hidden">
            <Trail control={control} others={others} />
          </div>
        </div>
        <div className="grid min-w-0 content-start gap-4 p-3 sm:p-5 lg:p-0">
          <h1 className="sr-only">{run.care?.text ?? titles[kindOfRun(run)]}</h1>
          {kindOfRun(run) === 'taking-off' ? <SlipUndo open={open} /> : null}
          <DriverBanner control={control} />
          {step ? (
            <StepCard open={open} plan={plan} step={step} control={control} actions={actions} />
          ) : (
            <Finished caseId={record.id} run={run} onBack={control.previous && control.mayTick ? control.back : null} />
          )}
          {step ? <AlsoNow others={others} control={control} /> : null}
          <ScribeNote caseId={record.id} />
          <details className="lg:hidden" onToggle={(event) => setListOpen(event.currentTarget.open)}>
            <summary className="min-h-11 content-center font-semibold">All steps</summary>
            {isListOpen ? <Trail control={control} others={others} /> : null}
          </details>
        </div>
      </main>
      {asking === 'hold' && step ? (
        <HoldEnd
          run={run}
          step={step}
          hold={holdTimer}
          troubles={findTechnique(run.technique ?? record.technique)?.troubles ?? []}
          onClose={() => setAsking(null)}
          onEnd={(reason) => {
            setAsking(null)
            finish(reason)
          }}
        />
      ) : null}
      {despite && step ? (
        <ReasonSheet
          title={despite.how === 'done' ? 'Go on although a stop stands?' : 'Skip it although a stop stands?'}
          draftKey={`run/${run.id}/despite/${step.id}`}
          submitLabel={despite.how === 'done' ? 'Go on all the same' : 'Skip it all the same'}
          backLabel="Back to the stop"
          hint={
            despite.how === 'done'
              ? 'It is kept as a deviation and stands until a complete round after it.'
              : 'The stop goes with you: it stands on every later step that puts something on. It is kept as a deviation.'
          }
          onClose={() => setDespite(null)}
          onReason={(reason) => {
            const codes = despite.stops.map((stop) => stop.code)
            setDespite(null)
            if (despite.how === 'skipped') control.skip(reason, codes)
            else if (control.finish(reason, codes)) void navigate(after.to)
          }}
        >
          {despite.stops.map((stop) => (
            <p key={stop.code}>{stop.text}</p>
          ))}
        </ReasonSheet>
      ) : null}
      {asking && asking !== 'hold' && step ? (
        <ReasonSheet
          title={asking === 'skip' ? 'Skip this step?' : 'Do it out of order?'}
          draftKey={`run/${run.id}/${asking}/${step.id}`}
          submitLabel={asking === 'skip' ? 'Skip it' : 'It is done'}
          backLabel="Go back to it"
          again={said}
          onBack={() => {
            const [before] = control.missingBefore
            setAsking(null)
            // What was passed by is what is gone back to; a step that would be skipped is in hand already.
            if (asking === 'order' && before) control.choose(before.step.id)
          }}
          onClose={() => setAsking(null)}
          onReason={(reason) => {
            setAsking(null)
            if (asking === 'skip') control.skip(reason)
            else finish(reason)
          }}
        >
          {asking === 'skip' ? (
            <p>It prevents: {step.prevents}</p>
          ) : (
            control.missingBefore.map(({ step: before, harm }) => (
              <p key={before.id}>
                Before it comes <strong>{stepName(before)}</strong>. Crossed: {harm}.
              </p>
            ))
          )}
        </ReasonSheet>
      ) : null}
    </>
  )
}

function Trail({ control, others }: { control: RunControl; others: readonly Step[] }) {
  const { run } = control
  const outcomes = useMemo(() => outcomesOf(run), [run])
  const open = useMemo(() => new Set(others.map((other) => other.id)), [others])
  return (
    <StepTrail
      steps={control.steps}
      outcomes={outcomes}
      current={control.step?.id ?? null}
      open={open}
      onChoose={control.mayTick ? control.choose : undefined}
    />
  )
}

/** Steps with no order between them and the one in hand: any of them may come first. */
function AlsoNow({ others, control }: { others: readonly Step[]; control: RunControl }) {
  if (others.length === 0 || !control.mayTick) return null
  return (
    <section aria-labelledby="also-now">
      <h2 id="also-now" className="mb-1.5 font-bold">
        Or first, in any order
      </h2>
      <p className="flex flex-wrap gap-2">
        {others.slice(0, 6).map((other) => (
          <Button key={other.id} onClick={() => control.choose(other.id)}>
            {stepName(other)}
          </Button>
        ))}
      </p>
    </section>
  )
}

const titles: Readonly<Record<RunKind, string>> = {
  application: 'Apply',
  opening: 'Open it',
  adjustment: 'Adjust',
  care: 'Care',
  'taking-off': 'Take it off',
  again: 'Put it on again',
}

/** What comes when the last step of a run is done. */
function afterRun(caseId: string, run: RunRecord): { readonly words: string; readonly to: string; readonly label: string } {
  if (isOpeningRun(run))
    return {
      words: 'It is open and looked at. Look again at 5 and 15 minutes; rounds begin again from now.',
      to: `/case/${caseId}/watch`,
      label: 'Watch',
    }
  if (kindOfRun(run) === 'taking-off') return { words: 'It is off the wrong limb.', to: `/case/${caseId}/apply`, label: 'Go on' }
  if (kindOfRun(run) === 'again') return { words: 'It is on again. Rounds go on as before.', to: `/case/${caseId}/watch`, label: 'Watch' }
  if (run.care)
    return {
      words: 'Say what was found: skin, liners, straps.',
      to: `/case/${caseId}/watch?do=${run.care.taskId}`,
      label: 'What was found',
    }
  return { words: 'Circulation and fit come next, and then the rounds.', to: `/case/${caseId}/check`, label: 'Check' }
}

function Finished({ caseId, run, onBack }: { caseId: string; run: RunRecord; onBack: (() => void) | null }) {
  const { words, to, label } = afterRun(caseId, run)
  return (
    <section className="grid content-start gap-4 rounded-3xl border border-line bg-sheet p-6">
      <h2 className="text-2xl font-bold">All steps are done</h2>
      <p>{words}</p>
      <div className="flex flex-wrap gap-3">
        <ButtonLink look="next" to={to}>
          {label}
        </ButtonLink>
        <ButtonLink to={`/case/${caseId}/record`}>Run record</ButtonLink>
        <ButtonLink to={`/case/${caseId}/card`}>Receiver’s card</ButtonLink>
        {onBack ? <Button onClick={onBack}>Back one step</Button> : null}
      </div>
    </section>
  )
}
