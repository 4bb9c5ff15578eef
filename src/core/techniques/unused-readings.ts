import type { ClinicalCase } from '../model/clinical-case'
import type { PlanContext } from '../model/plan-context'
import type { Problem } from '../model/problem'
import { createDraft } from '../planner/draft'
import { resolveOptions } from '../planner/resolve-options'
import { findTechnique } from './registry'

/**
 * Readings of a case file that its technique has no use for, as problems `unknown-measurement`. In the product such readings are kept
 * without a word: the patient may have another device on.
 */
export function unusedReadings(clinicalCase: ClinicalCase, ctx: PlanContext): readonly Problem[] {
  const technique = findTechnique(clinicalCase.technique)
  if (!technique) return []
  const { values } = resolveOptions(technique, clinicalCase, ctx.protocol)
  const draft = createDraft({ ...clinicalCase, overrules: [] }, ctx, technique.decisions)
  technique.plan(draft, values)
  const listed = technique.measurements(clinicalCase, values).map((measurement) => measurement.definition.id)
  const used = new Set([...listed, ...draft.askedFor()])
  const unused = new Set(clinicalCase.measurements.map((measurement) => measurement.id).filter((id) => !used.has(id)))
  return [...unused].map((id) => ({
    code: 'unknown-measurement' as const,
    path: `measurements/${id}`,
    message: `${technique.name} does not use the measurement "${id}": use ${listed.join(', ')}, or leave it out.`,
  }))
}
