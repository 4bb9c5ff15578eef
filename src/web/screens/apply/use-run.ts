import { useEffect } from 'react'
import { create } from 'zustand'
import type { Plan } from '#core/model/plan'
import type { Step } from '#core/model/step'
import { timersOf } from '#core/runs/step-work'
import type { StepTimer } from '#core/model/step'
import { isFreeingRun, isOpeningRun, kindOfRun } from '#contract/records/run-kind'
import { hasStepRole, onRoles } from '#core/model/step-role'
import { outcomesOf, type RunRecord } from '#contract/records/run'
import { useDraft } from '../../sync/use-draft'
import { writeEvent, type OpenCase } from '../../sync/case-store'
import { tabId } from '../../sync/tab-id'
import { endClocks } from '../../case/standing/end-clocks'
import { currentStep, openBefore, previousStep } from '../../case/run/run-state'

/** Runs that this tab helps with, until it is loaded again. */
const useHelping = create<{ readonly runs: readonly string[] }>(() => ({ runs: [] }))

/** Why a press counts for nothing on a screen that only looks. */
export const leadsElsewhere = 'Another screen leads this run: help or take over, above.'

/** A run as its driver walks it. */
export interface RunControl {
  readonly run: RunRecord
  readonly steps: readonly Step[]
  readonly step: Step | null
  readonly previous: Step | null
  /** Whether this tab leads; any other one follows. */
  readonly isDriver: boolean
  /** Whether this tab helps another one that leads: what is ticked here is kept, and leads nothing. */
  readonly isHelping: boolean
  /** Whether what is pressed here counts: for whoever leads, and whoever helps. */
  readonly mayTick: boolean
  /** What must come before the step in hand and is still open. */
  readonly missingBefore: ReturnType<typeof openBefore>
  /** Whether the step in hand was done before. */
  readonly isRepeat: boolean
  /** Returns whether that was the last step. */
  /** @param despite codes of stops that stood on the step */
  finish(reason?: string, despite?: readonly string[]): boolean
  skip(reason: string, despite?: readonly string[]): void
  back(): void
  choose(stepId: string): void
  startTimer(timer: StepTimer): void
  help(isHelping: boolean): void
  takeOver(): void
}

/** Walks a run: what is in hand follows from what was recorded and from what was chosen, both of which survive a reload. */
export function useRun(open: OpenCase, run: RunRecord, plan: Plan): RunControl {
  const [chosenId, choose] = useDraft(`run/${run.id}/step`)
  const { steps } = plan.procedure
  const step = currentStep(steps, run, chosenId)
  const previous = previousStep(steps, run)
  const outcomes = outcomesOf(run)
  const isDriver = run.driver === undefined || run.driver.device === tabId()

  const isHelping = useHelping((store) => store.runs.includes(run.id)) && !isDriver

  const claim = (): void => {
    if (isHelping) return
    if (run.driver?.device !== tabId()) void writeEvent('run-lease', { runId: run.id, device: tabId() })
  }
  const write = (stepId: string, outcome: 'done' | 'skipped' | 'undone', reason: string, despite: readonly string[] = []): void => {
    claim()
    void writeEvent('step', { runId: run.id, stepId, outcome, reason, ...(despite.length > 0 ? { despite } : {}) })
  }
  const startTimer = ({ id, label, minutes, kind, until }: StepTimer): void =>
    void writeEvent('timer', { runId: run.id, timerId: id, label, minutes, kind, ...(until ? { until } : {}) })
  const isLastOpen = (done: Step): boolean => steps.every((one) => one.id === done.id || one.optional || outcomes.has(one.id))

  /** An opening is open with its last step that opens or eases: the looks after it are owed from then on. */
  const isOpenedBy = (left: Step): boolean =>
    isOpeningRun(run) && opens(left) && steps.every((one) => one.id === left.id || !opens(one) || outcomes.has(one.id))
  /** A run comes to what it is for with its last step, done or passed by, as long as some of it was done: opened, off, or on. */
  const endAfter = (left: Step, isDone: boolean): void => {
    const wasDone = (test: (one: Step) => boolean): boolean =>
      steps.some((one) => test(one) && (one.id === left.id ? isDone : outcomes.get(one.id) === 'done'))
    if (isOpenedBy(left) && wasDone(opens)) void writeEvent('opened', { runId: run.id })
    if (kindOfRun(run) === 'taking-off' && isLastOpen(left) && wasDone((one) => hasStepRole(one, 'takes-off') && !one.underneath))
      void writeEvent('taken-off', { runId: run.id })
    const isOn = isDone || wasDone((one) => hasStepRole(one, ...onRoles))
    if (!isFreeingRun(run) && isLastOpen(left) && isOn && !open.record.appliedAt) void writeEvent('applied', {})
  }

  useShownTimers(run, step, isDriver, startTimer)
  return {
    run,
    steps,
    step,
    previous,
    isDriver,
    isHelping,
    mayTick: isDriver || isHelping,
    missingBefore: step ? openBefore(steps, run, step) : [],
    isRepeat: step !== null && outcomes.get(step.id) === 'done',
    choose,
    startTimer,
    finish(reason = '', despite = []) {
      if (!step) return false
      const isLast = isLastOpen(step)
      write(step.id, 'done', reason, despite)
      for (const timer of timersOf(step)) if (timer.starts === 'done') startTimer(timer)
      // What is hard has no clock any more: what set, and what was held until then.
      if (hasStepRole(step, 'rigid-on')) endClocks(run, ['set', 'hold'])
      for (const action of step.answers ?? []) void writeEvent('response', { action, outcome: 'done', why: '' })
      if (chosenId) choose('')
      endAfter(step, true)
      return isLast
    },
    skip(reason, despite = []) {
      if (!step) return
      write(step.id, 'skipped', reason, despite)
      endAfter(step, false)
      if (chosenId) choose('')
    },
    back() {
      if (chosenId) return choose('')
      if (previous) write(previous.id, 'undone', '')
    },
    help: (isOn) => useHelping.setState(({ runs }) => ({ runs: isOn ? [...runs, run.id] : runs.filter((id) => id !== run.id) })),
    takeOver: () => void writeEvent('run-lease', { runId: run.id, device: tabId() }),
  }
}

function opens(step: Step): boolean {
  return hasStepRole(step, 'opens', 'eases')
}

/** Timers that start when a step comes up start once, from the tab that drives. */
function useShownTimers(run: RunRecord, step: Step | null, isDriver: boolean, start: (timer: StepTimer) => void): void {
  const due =
    !isDriver || !step ? [] : timersOf(step).filter((one) => one.starts === 'shown' && !run.timers.some((timer) => timer.id === one.id))
  const key = due.map((timer) => timer.id).join(' ')
  useEffect(() => {
    due.forEach(start)
    // The key names exactly what is due; the functions change with every render.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [run.id, step?.id, key])
}
