import type { ClinicalCase } from '../model/clinical-case'
import type { PlanContext } from '../model/plan-context'
import { createDraft } from './draft'
import type { Caution } from '../model/plan'
import { judgePlace } from './judge-place'
import { resolveOptions } from './resolve-options'
import type { OptionValues, Technique } from './technique'

export interface Suitability {
  readonly verdict: 'go' | 'caution' | 'stop'
  readonly reasons: readonly Caution[]
  /** The option values that it was judged with. */
  readonly options: OptionValues
}

/**
 * Whether a technique suits a patient and injury before anything is measured: place, pattern, flags and the
 * technique's own rules.
 * @returns the worst level of its reasons; `go` without any
 */
export function judgeSuitability(technique: Technique, clinicalCase: ClinicalCase, ctx: PlanContext): Suitability {
  const draft = createDraft(clinicalCase, ctx, technique.decisions)
  const { values } = resolveOptions(technique, clinicalCase, ctx.protocol)
  judgePlace(draft, technique, values)
  technique.judge?.(draft, values)
  const reasons = draft.collect().cautions.filter((caution) => caution.level !== 'note')
  const verdict = reasons.some((reason) => reason.level === 'stop') ? 'stop' : reasons.length > 0 ? 'caution' : 'go'
  return { verdict, reasons, options: values }
}
