import { catalogue } from '#core/catalogue/catalogue'
import { itemsAtHand, refuseOverrule } from '#core/planner/usable-overrules'
import { findTechnique } from '#core/techniques/registry'
import type { EventInput } from '#contract/event'
import type { OverruleBody } from '#contract/events/planning/overrule'
import { protocolOf } from '#contract/records/case'
import { toClinicalCase } from '#ward/case/clinical-case'
import { ApiError, invalidInput } from '../../ground/api-error'
import type { AppendDeps, CheckedPlan } from '../../ledger/writing'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'

export const rules: CaseRules<OverruleBody> = {
  check({ body }, record) {
    const technique = findTechnique(record.technique)
    if (!technique) return
    const items = itemsAtHand(record.store?.items ?? 'catalogue', catalogue.items)
    const problem = refuseOverrule(technique, body, items)
    if (problem) throw invalidInput([{ ...problem, path: 'body/value' }])
  },
  prepare: refuseFloor,
}

/**
 * Asks the plan whether what is set aside is a floor of safety.
 * @returns the versions that it was planned from
 * @throws ApiError 404; 422 `out-of-range` for a floor; 503 when planning fails
 */
async function refuseFloor(deps: AppendDeps, input: EventInput): Promise<CheckedPlan> {
  const { caution } = input.body as OverruleBody
  const found = await deps.streams.findCase(input.stream.id)
  if (!found) throw new ApiError(404, 'not-found', 'There is no case with this id: create it first.')
  const episode = await deps.streams.findEpisode(found.record.episodeId)
  if (!episode) throw new ApiError(404, 'not-found', 'The stay of this case is not known.')
  const checked = { caseVersion: found.version, episodeVersion: episode.version }
  if (caution === undefined) return checked
  const plan = await deps.planner.planNow(toClinicalCase(found.record, episode.record), protocolOf(found.record))
  if (plan?.cautions.some(({ code, isFloor }) => code === caution && isFloor))
    refuse('out-of-range', 'body/caution', `${caution} is a floor of safety and cannot be set aside: change what raises it.`)
  return checked
}
