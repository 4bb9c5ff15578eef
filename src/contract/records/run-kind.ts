import type { CaseRecord } from './case'
import type { RunRecord } from './run'

/** What a run does with the device of its case. */
export type RunKind = 'application' | 'opening' | 'adjustment' | 'care' | 'taking-off' | 'again'

type Marks = Pick<RunRecord, 'technique' | 'isOpenNow' | 'isAdjustment' | 'care' | 'isTakingOff' | 'isAgain'>

/** What a run does, by the marks that it was begun with; without any it puts the case's own device on. */
export function kindOfRun({ technique, isOpenNow, isAdjustment, care, isTakingOff, isAgain }: Marks): RunKind {
  if (isTakingOff) return 'taking-off'
  if (technique !== undefined || isOpenNow) return 'opening'
  if (isAgain) return 'again'
  if (isAdjustment) return 'adjustment'
  return care ? 'care' : 'application'
}

/** Whether a run opens what its case put on. */
export function isOpeningRun(run: Marks): boolean {
  return kindOfRun(run) === 'opening'
}

/** Whether a run frees the patient of what is on: no stop holds it back, and its plan is its own. */
export function isFreeingRun(run: Marks): boolean {
  const kind = kindOfRun(run)
  return kind === 'opening' || kind === 'taking-off'
}

/** Whether a run goes by its own plan, whatever was accepted since. */
export function hasOwnPlan(run: Marks): boolean {
  return isFreeingRun(run) || ['adjustment', 'again'].includes(kindOfRun(run))
}

/** The runs that count for what the case puts on: one that turned out to be on the wrong limb, and what took it off there, do not. */
export function countingRuns({ runs }: Pick<CaseRecord, 'runs'>): readonly RunRecord[] {
  return runs.filter((run) => !run.wrongSide && kindOfRun(run) !== 'taking-off')
}

const names: Readonly<Record<Exclude<RunKind, 'care'>, string>> = {
  application: 'Applied',
  opening: 'Opened',
  adjustment: 'Adjusted',
  'taking-off': 'Taken off the wrong limb',
  again: 'Put on again',
}

/** What a run was, in a word or two, as its records are headed. */
export function runName(run: Marks & Pick<RunRecord, 'wrongSide'>): string {
  const kind = kindOfRun(run)
  const name = kind === 'care' ? (run.care?.text ?? 'Care') : run.isOpenNow ? 'Opened at once' : names[kind]
  return run.wrongSide ? `${name}, wrong side` : name
}
