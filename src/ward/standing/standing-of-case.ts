import { spoken } from '#core/model/vocabulary'
import type { Caution } from '#core/model/plan'
import { isHeldOpen, type Standing } from '#core/model/standing'
import { doneWithRole } from '../case/done-with-role'
import { typedBeside } from '../case/typed-beside'
import { freshSince } from '#core/runs/what-binds'
import { judgeStanding, type OtherItem } from '#core/standing/judge-standing'
import { dangerOfTrouble, targetOf } from '#core/standing/trouble-target'
import { watchedOf } from '#core/model/observation'
import { findTechnique } from '#core/techniques/registry'
import { wrongSideId } from '#core/techniques/shared/any-troubles'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { asleepTwice } from '../rounds/asleep-twice'
import { heardOf } from '../rounds/calls-of'
import { grownGirths } from '../rounds/grown-girths'
import { answeredUnread, measuredBeyond } from '../case/measured-beyond'
import { gapsOf, isOfProductAlone } from '../case/plan-in-force'
import { injuredPart, standCaseRounds, troubleOf, type CaseRounds } from '../rounds/case-rounds'
import { countingRuns, isOpeningRun } from '#contract/records/run-kind'
import { toClinicalCase } from '../case/clinical-case'
import { situationOfCase } from '../case/situation-of-case'
import { openedNowItems } from '../rounds/opened-now-item'
import { sideItems } from '../case/side-items'
import { taskFindings } from '../rounds/task-findings'
import { wordsOf } from '../rounds/senior-words'
import { underneathItems } from '../rounds/underneath-items'
import { workOwed } from '../owed/work-owed'

/** What a plan that was made now says, beside the one in force; null where none was made. */
export interface LivePlan {
  readonly cautions: readonly Caution[]
}

/**
 * What stands about a case: the one answer that strip, stages, Board, papers and export read.
 * @param live the plan as it would be made now: what it says beyond the plan in force waits
 * @param nowMs the server's time
 * @param people who is there now, where somebody said so
 */
export function standingOf(record: CaseRecord, episode: EpisodeRecord, live: LivePlan | null, nowMs: number, people?: number): Standing {
  const rounds = standCaseRounds(record, episode, nowMs)
  const technique = findTechnique(record.technique)
  const onAtMs = record.appliedAt === null ? null : Date.parse(record.appliedAt)
  const lookedFromMs = onAtMs === null ? Infinity : Math.min(onAtMs, afterCheckFromMs(record))
  const looked = rounds.judged.findLast(({ round }) => !round.isBaseline && Date.parse(round.at) >= lookedFromMs)
  const inForce = record.accepted?.plan.cautions ?? live?.cautions ?? []
  const input = {
    situation: situationOfCase(record, episode, nowMs, people),
    ownWay: technique?.onUrgent.actions ?? [],
    onAtMs,
    removedAtMs: record.removedAt === null ? null : Date.parse(record.removedAt),
    rounds: rounds.standing,
    lookedAtMs: looked ? Date.parse(looked.round.at) : null,
    plan: {
      inForce,
      waiting: (live?.cautions ?? []).filter((caution) => caution.level === 'stop' || !isOfProductAlone(record, episode)),
      sinceMs: Date.parse(record.accepted?.at ?? record.openedAt),
      steps: record.accepted?.plan.procedure.steps ?? [],
      doneSteps: countingRuns(record).flatMap((run) => run.steps.filter((step) => step.outcome === 'done').map((step) => step.stepId)),
    },
    others: [
      ...troubleItems(record, episode),
      ...goneItems(record),
      ...fitItems(record),
      ...measuredBeyond(record, (at) => isLookedAt(rounds.judged, at)),
      ...taskItems(record),
      ...runItems(record, episode, rounds.judged),
      ...sideItems(record, episode),
      ...asleepTwice(record, episode),
      ...grownGirths(record, episode, rounds.standing, nowMs),
      ...underneathItems(record, episode, (at) => isLookedAt(rounds.judged, at)),
      ...openedNowItems(record, episode, (at) => isLookedAt(rounds.judged, at)),
    ],
    responses: (record.responses ?? []).map(({ at, ...one }) => ({ ...one, atMs: Date.parse(at) })),
    calls: heardOf(record).map(({ at, ...one }) => ({ ...one, atMs: Date.parse(at) })),
    decisions: rounds.decisions,
    words: wordsOf(record),
  }
  const withOwed = (): Standing => judgeStanding({ ...input, others: [...input.others, ...owedItems(record, episode, nowMs)] })
  // Rounds are owed while the device is on, and after it while something stands: only then it is judged first without them.
  if (record.ended || record.removedAt === null) return withOwed()
  const standing = judgeStanding(input)
  return isHeld(record, standing) ? withOwed() : standing
}

/** Whether something above known stands, so that rounds go on; what stood about a device that was changed for another one stands there. */
export function isHeld({ replacedBy }: Pick<CaseRecord, 'replacedBy'>, { items }: Pick<Standing, 'items'>): boolean {
  return replacedBy === undefined && isHeldOpen(items)
}

/**
 * From when on a round is the check after application: the run that put it on asks for that check as one of its last steps, so it is
 * recorded before the run ends and the device counts as applied. Infinity where no run asked.
 */
function afterCheckFromMs(record: CaseRecord): number {
  const { appliedAt } = record
  const run = countingRuns(record).findLast(
    (countingRun) => !isOpeningRun(countingRun) && appliedAt !== null && Date.parse(countingRun.startedAt) <= Date.parse(appliedAt),
  )
  const asked = run && doneWithRole(record, run, 'check-after').at(-1)
  if (!run || !asked) return Infinity
  const before = run.steps.filter((step) => Date.parse(step.at) <= Date.parse(asked.at))
  return freshSince({ id: asked.stepId }, before, run.startedAt)
}

const free = { stages: [], steps: [] } as const

/** Troubles that no round looks at: each stands until a person ends it, the last of its kind alone. */
function troubleItems(record: CaseRecord, episode: EpisodeRecord): readonly OtherItem[] {
  const part = injuredPart(record, episode)
  const watched = watchedOf(toClinicalCase(record, episode).injury.region)
  return (record.troubles ?? []).flatMap((trouble, index, all): OtherItem[] => {
    const known = troubleOf(trouble, record)
    const isRepeated = all.slice(index + 1).some((later) => later.troubleId === trouble.troubleId)
    if (!known || !trouble.id || trouble.ended || known.level === 'none' || known.id === wrongSideId || isRepeated || targetOf(known, part))
      return []
    const typed = typedBeside(record, trouble)
    return [
      {
        id: `trouble/${trouble.id}`,
        from: 'trouble',
        level: known.level,
        danger: dangerOfTrouble(known, watched),
        text: trouble.label,
        ...(typed === null ? {} : { typed }),
        part,
        sinceMs: Date.parse(trouble.at),
        binds: free,
        ends: 'A person ends it, with a word.',
        isEndedByWord: true,
        ownSteps: known.actions,
      },
    ]
  })
}

/** What the store had not when the accepted plan came without a line; once the device is on it was found elsewhere. */
function goneItems({ accepted, appliedAt }: CaseRecord): readonly OtherItem[] {
  if (!accepted?.gone || appliedAt !== null) return []
  const { place, items, at } = accepted.gone
  return [
    {
      id: 'plan/gone',
      from: 'plan',
      level: 'warn',
      text: `Gone at ${place} when this plan came: ${items.join(', ')}. Find it elsewhere, or take another size`,
      part: null,
      sinceMs: Date.parse(at),
      binds: free,
      ends: 'The device on, or another plan accepted.',
      isEndedByWord: false,
    },
  ]
}

/** Fit tests that failed when they were last done, and those answered "yes" about an angle that nobody read; what is off fits nobody. */
function fitItems(record: CaseRecord): readonly OtherItem[] {
  if (record.removedAt !== null) return []
  const latest = new Map(record.fit.map((fit) => [fit.testId, fit]))
  const tests = record.accepted?.plan.fit ?? []
  return [...latest.values()].flatMap((fit): OtherItem[] => {
    const test = tests.find((each) => each.id === fit.testId)
    const unread = test && answeredUnread(record, test, fit.isGood)
    if (fit.isGood && !unread) return []
    const at = { part: null, sinceMs: Date.parse(fit.at), lookedAtMs: Date.parse(fit.at), binds: free, isEndedByWord: false } as const
    if (unread)
      return [
        {
          ...at,
          id: `fit/${fit.testId}`,
          from: 'run',
          level: 'warn',
          text: `${unread.label} not read: “yes” was answered without the reading`,
          ends: 'The angle, read.',
        },
      ]
    return [
      {
        ...at,
        id: `fit/${fit.testId}`,
        from: 'reading',
        level: 'warn',
        text: `Fit: ${test?.text ?? fit.testId}: no${fit.note ? ` (${fit.note})` : ''}${test ? `. ${test.remedy}` : ''}`,
        ends: 'The same test, passed on a later look.',
      },
    ]
  })
}

/** What a run did against a stop, and a run begun without a plan. */
function runItems(record: CaseRecord, episode: EpisodeRecord, judged: CaseRounds['judged']): readonly OtherItem[] {
  const base = { from: 'run', part: null, binds: free, isEndedByWord: false } as const
  const despite = countingRuns(record).flatMap((run) => run.steps.filter((step) => step.outcome !== 'undone' && step.despite?.length))
  const unchecked = despite.filter((step) => !isLookedAt(judged, step.at))
  const isSettled = record.accepted !== null && gapsOf(record, episode).length === 0
  const begun = isSettled ? undefined : countingRuns(record).find((run) => run.withoutPlan !== undefined)
  const found = isSettled ? undefined : record.found
  return [
    ...unchecked.map((step): OtherItem => ({
      ...base,
      id: `run/despite/${step.stepId}`,
      level: 'warn',
      text: `${step.outcome === 'skipped' ? 'Skipped' : 'Done'} although a stop stood on it (${(step.despite ?? []).map(spoken).join(', ')}): ${spoken(step.stepId)}, ${step.reason}`,
      sinceMs: Date.parse(step.at),
      ends: 'A complete round after it.',
    })),
    ...(begun
      ? [
          {
            ...base,
            id: 'run/without-plan',
            level: 'warn',
            text: `Begun without an accepted plan: ${begun.withoutPlan ?? ''}`,
            sinceMs: Date.parse(begun.startedAt),
            ends: 'An accepted plan.',
          } satisfies OtherItem,
        ]
      : []),
    ...(found
      ? [
          {
            ...base,
            id: 'run/found-on',
            level: 'warn',
            text: `Found on, not planned here: ${found.what}${found.minutesAgo === null ? '; since when is not known' : ''}`,
            sinceMs: Date.parse(found.at),
            ends: 'Measured, and an accepted plan.',
          } satisfies OtherItem,
        ]
      : []),
  ]
}

/** Whether a complete round came after a moment. */
function isLookedAt(judged: CaseRounds['judged'], at: string): boolean {
  return judged.some(({ round, verdict }) => verdict.complete && Date.parse(round.at) > Date.parse(at))
}

/** What is overdue. */
function owedItems(record: CaseRecord, episode: EpisodeRecord, nowMs: number): readonly OtherItem[] {
  return workOwed(record, episode, nowMs)
    .filter((work) => work.dueAt + work.graceMin * 60_000 < nowMs)
    .map((work): OtherItem => ({
      id: `task/${work.id}`,
      from: 'task',
      level: 'owed',
      text: work.kind === 'round' ? 'A round is late.' : `Late: ${work.text}`,
      part: null,
      sinceMs: work.dueAt,
      binds: free,
      ends: work.kind === 'round' ? 'A complete round.' : 'Doing it, or saying why it is not needed.',
      isEndedByWord: false,
    }))
}

/** What owed work found and has not been found well since; what is off no longer presses. */
function taskItems(record: CaseRecord): readonly OtherItem[] {
  if (record.removedAt !== null) return []
  return taskFindings(record).map((taskFinding): OtherItem => ({
    id: `care/${taskFinding.id}`,
    from: 'reading',
    level: taskFinding.level,
    danger: taskFinding.danger,
    text: taskFinding.text,
    part: null,
    sinceMs: Date.parse(taskFinding.sinceAt),
    ...(taskFinding.item ? { asItem: taskFinding.item } : {}),
    ...(taskFinding.ownSteps ? { ownSteps: taskFinding.ownSteps } : {}),
    lookedAtMs: Date.parse(taskFinding.at),
    binds: free,
    ends: 'The same look, found well.',
    isEndedByWord: false,
  }))
}
