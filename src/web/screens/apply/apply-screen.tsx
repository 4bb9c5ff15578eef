import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Step } from '#core/plan/plan'
import { Lane, type LaneLayer } from '../../lane/lane'
import { usePlan } from '../../hooks/use-plan'
import { useWakeLock } from '../../hooks/use-wake-lock'
import { Button, ButtonLink } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { useOpenCase, writeEvent, type OpenCase } from '../../stores/case-store'
import { useSettings } from '../../stores/session-store'
import type { RunRecord } from '#contract/run-record'
import { currentStep, outcomesOf, previousStep } from './run-state'
import { SkipSheet } from './skip-sheet'
import { StepCard } from './step-card'
import { StepTrail } from './step-trail'

/** The run: one step at a time in large type; where it stands is what was recorded, so a reload goes on there. */
export function ApplyScreen() {
  const open = useOpenCase()
  const run = open.record.runs.at(-1)
  if (!open.record.accepted) return <NotYet caseId={open.record.id} words="The plan is not accepted yet." to="choose" label="Choose" />
  if (!run) return <NotYet caseId={open.record.id} words="Nothing is laid out yet." to="make-ready" label="Make ready" />
  return <Run open={open} run={run} />
}

function NotYet({ caseId, words, to, label }: { caseId: string; words: string; to: string; label: string }) {
  return (
    <main id="main" className="mx-auto grid w-full max-w-lg flex-1 content-start gap-4 p-6">
      <h1 className="text-xl font-bold">Apply</h1>
      <Notice tone="note" lead={words} />
      <ButtonLink look="next" to={`/case/${caseId}/${to}`}>
        {label}
      </ButtonLink>
    </main>
  )
}

function Run({ open, run }: { open: OpenCase; run: RunRecord }) {
  const { record } = open
  const plan = usePlan(open)
  const { units } = useSettings()
  const navigate = useNavigate()
  const [isSkipping, setSkipping] = useState(false)
  const steps = plan.procedure.steps
  const step = currentStep(steps, run)
  const previous = previousStep(steps, run)
  useWakeLock(step !== null)

  const write = (stepId: string, outcome: 'done' | 'skipped' | 'undone', reason = ''): void =>
    void writeEvent('step', { runId: run.id, stepId, outcome, reason })
  const finish = (done: Step): void => {
    write(done.id, 'done')
    if (done.timer)
      void writeEvent('timer', { runId: run.id, timerId: done.timer.id, label: done.timer.label, minutes: done.timer.minutes })
    if (done.id === steps.at(-1)?.id && !record.appliedAt) {
      void writeEvent('applied', {})
      void navigate(`/case/${record.id}/check`)
    }
  }
  const back = (): void => {
    if (previous) write(previous.id, 'undone')
  }
  return (
    <>
      <main
        id="main"
        className="mx-auto w-full max-w-[92rem] flex-1 lg:grid lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)] lg:items-start lg:gap-6 lg:px-5 lg:py-4"
      >
        <div className="grid gap-4 max-sm:hidden lg:sticky lg:top-4">
          <Lane geometry={plan.geometry} units={units} layers={layersAt(steps, step)} lit={step?.where ?? []} />
          <StepTrail steps={steps} outcomes={outcomesOf(run)} current={step?.id ?? null} />
        </div>
        <div className="min-w-0 p-3 sm:p-5 lg:p-0">
          <h1 className="sr-only">Apply</h1>
          {step ? (
            <StepCard
              key={step.id}
              open={open}
              plan={plan}
              step={step}
              run={run}
              index={steps.indexOf(step)}
              count={steps.length}
              onDone={() => finish(step)}
              onBack={previous ? back : null}
              onSkip={() => (step.optional ? write(step.id, 'skipped') : setSkipping(true))}
            />
          ) : (
            <Finished caseId={record.id} onBack={previous ? back : null} />
          )}
        </div>
      </main>
      {isSkipping && step ? (
        <SkipSheet
          caseId={record.id}
          step={step}
          onClose={() => setSkipping(false)}
          onSkip={(reason) => {
            setSkipping(false)
            write(step.id, 'skipped', reason)
          }}
        />
      ) : null}
    </>
  )
}

/** What lies on the limb at a step: padding first, the device from the first wet step on, the bandage once it is wound. */
function layersAt(steps: readonly Step[], step: Step | null): readonly LaneLayer[] {
  const at = step ? steps.indexOf(step) : steps.length
  const firstWet = steps.findIndex((one) => one.wet)
  const bandaged = steps.findIndex((one) => one.id === 'bandage')
  if (firstWet < 0) return ['padding', 'slab']
  if (at < firstWet) return ['padding']
  return bandaged >= 0 && at >= bandaged ? ['padding', 'slab', 'bandage'] : ['padding', 'slab']
}

function Finished({ caseId, onBack }: { caseId: string; onBack: (() => void) | null }) {
  return (
    <section className="grid content-start gap-4 rounded-3xl border border-line bg-sheet p-6">
      <h2 className="text-2xl font-bold">All steps are done</h2>
      <p>Circulation and fit come next, and then the rounds.</p>
      <div className="flex flex-wrap gap-3">
        <ButtonLink look="next" to={`/case/${caseId}/check`}>
          Check
        </ButtonLink>
        {onBack ? <Button onClick={onBack}>Back one step</Button> : null}
      </div>
    </section>
  )
}
