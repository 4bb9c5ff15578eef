import type { ExaminerAgreement, Failing, FailingPair, FailingStep, GroupOverview, TimeSpread } from '#contract/api/practice-overview'
import { quantile } from 'simple-statistics'
import { cohensKappa, type SeenStep } from '#core/practice/stations/agreement'
import type { StationScore } from '#core/practice/stations/score-station'
import type { DoneSitting } from '#contract/api/practice-overview'

/** A sitting of a group's member with what its sheet says. */
export interface ScoredSitting extends DoneSitting {
  readonly stationId: string
  readonly score: StationScore
  /** What two examiners said of each step; empty with one. */
  readonly seen: readonly SeenStep[]
}

const mostListed = 8

/**
 * What a trainer sees of a group: who has done what, what fails most, how the times lie.
 * @param sittings of all members
 */
export function groupOverview(members: GroupOverview['members'], sittings: readonly ScoredSitting[]): GroupOverview {
  const steps = new Map<string, FailingStep>()
  const pairs = new Map<string, FailingPair>()
  const times = new Map<string, { name: string; seconds: number[] }>()
  for (const { technique, stationId, stationName, score } of sittings) {
    for (const { stepId, isMissing } of askedSteps(score)) {
      const key = `${technique} ${stepId}`
      const had = steps.get(key) ?? { technique, stepId, count: 0, of: 0 }
      steps.set(key, { ...had, count: had.count + Number(isMissing), of: had.of + 1 })
    }
    for (const { before, after, isBroken } of score.pairs) {
      const key = `${technique} ${before} ${after}`
      const had = pairs.get(key) ?? { technique, before, after, count: 0, of: 0 }
      pairs.set(key, { ...had, count: had.count + Number(isBroken), of: had.of + 1 })
    }
    const had = times.get(stationId) ?? { name: stationName, seconds: [] }
    times.set(stationId, { ...had, seconds: [...had.seconds, score.tookMs / 1000] })
  }
  return {
    members,
    steps: worst([...steps.values()]),
    pairs: worst([...pairs.values()]),
    examiners: agreementOf(sittings),
    times: [...times.values()].map(({ name, seconds }) => spreadOf(name, seconds)).sort((a, b) => b.count - a.count),
  }
}

function agreementOf(sittings: readonly ScoredSitting[]): ExaminerAgreement {
  const twice = sittings.filter((sitting) => sitting.seen.length > 0)
  const byStep = new Map<string, { readonly technique: string; readonly stepId: string; readonly pairs: (readonly [boolean, boolean])[] }>()
  for (const { technique, seen } of twice) {
    for (const { stepId, isSeen } of seen) {
      const kept = byStep.get(`${technique} ${stepId}`) ?? { technique, stepId, pairs: [] }
      kept.pairs.push(isSeen)
      byStep.set(`${technique} ${stepId}`, kept)
    }
  }
  return {
    sittings: twice.length,
    kappa: cohensKappa(twice.flatMap((one) => one.seen.map((step) => step.isSeen))).kappa,
    steps: worst(
      [...byStep.values()].map(({ technique, stepId, pairs }) => ({
        technique,
        stepId,
        count: pairs.filter(([one, other]) => one !== other).length,
        of: pairs.length,
        kappa: cohensKappa(pairs).kappa,
      })),
    ),
  }
}

function askedSteps(score: StationScore): readonly { readonly stepId: string; readonly isMissing: boolean }[] {
  return [
    ...score.steps.map(({ stepId }) => ({ stepId, isMissing: false })),
    ...score.missing.map((stepId) => ({ stepId, isMissing: true })),
  ]
}

function worst<T extends Failing>(all: readonly T[]): readonly T[] {
  return all
    .filter((one) => one.count > 0)
    .sort((a, b) => b.count / b.of - a.count / a.of || b.count - a.count)
    .slice(0, mostListed)
}

function spreadOf(stationName: string, seconds: readonly number[]): TimeSpread {
  const at = (share: number): number => quantile([...seconds], share)
  return {
    stationName,
    count: seconds.length,
    leastS: Math.min(...seconds),
    lowS: at(0.25),
    medianS: at(0.5),
    highS: at(0.75),
    mostS: Math.max(...seconds),
  }
}
