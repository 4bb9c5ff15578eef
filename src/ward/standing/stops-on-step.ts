import type { Caution, Plan } from '#core/model/plan'
import type { Standing } from '#core/model/standing'
import type { Step } from '#core/model/step'
import { stopsOn, waysOn, type BindingStop, type StepState, type WaysOn } from '#core/runs/what-binds'
import { heldBy } from '#core/standing/case-facts'
import { dangerStops } from '#core/standing/danger-stops'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { RunRecord } from '#contract/records/run'
import { callsOf } from '../rounds/calls-of'
import { injuredPart } from '../rounds/case-rounds'
import { isFreeingRun } from '#contract/records/run-kind'
import { situationOfCase } from '../case/situation-of-case'

/** What stands on a step of a run, and the ways past it: the one answer for button, key, pedal, voice and reload. */
export interface StepBinding {
  readonly stops: readonly BindingStop[]
  readonly ways: WaysOn
}

/**
 * What holds back a step of a run now.
 * @param plan the run's
 * @param live stops and cautions of the plan as it would be made now
 */
export function bindingOf(
  { record, episode }: { readonly record: CaseRecord; readonly episode: EpisodeRecord },
  run: RunRecord,
  plan: Plan,
  step: Step,
  live: readonly Caution[],
  standing: Pick<Standing, 'items'>,
  nowMs: number,
): StepBinding {
  const isOpening = isFreeingRun(run)
  const situation = situationOfCase(record, episode, nowMs)
  const device = { holds: heldBy(record.technique) ?? 'break', part: injuredPart(record, episode), isWarm: false } as const
  const stops = stopsOn(step, {
    steps: plan.procedure.steps,
    states: statesOf(run),
    cautions: isOpening ? plan.cautions : [...plan.cautions, ...live],
    dangers: isOpening ? [] : dangerStops(standing.items, situation, device),
    isOpening,
  })
  const isCalled = callsOf(record).some((call) => call.isReached)
  return { stops, ways: waysOn(step, stops, isCalled) }
}

/** How each step of a run stands, with the stops that it was done or passed over. */
function statesOf(run: RunRecord): ReadonlyMap<string, StepState> {
  const states = new Map<string, StepState>()
  for (const { stepId, outcome, despite = [] } of run.steps) {
    if (outcome === 'undone') states.delete(stepId)
    else states.set(stepId, { outcome, despite })
  }
  return states
}
