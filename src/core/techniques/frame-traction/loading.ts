import type { PlanDraft } from '../../planner/draft'

/** How far the frame stands out beyond the heel, cm. */
export const beyondLegCm = 25

/** Decides `loading`: feet first when stature and frame overhang the stretcher. */
export function decideLoading(draft: PlanDraft): void {
  const { heightCm } = draft.clinicalCase.patient
  const { stretcherCm } = draft.clinicalCase.environment
  if (heightCm === undefined) {
    draft.problem({
      code: 'missing',
      path: 'patient/heightCm',
      message: "The patient's height is missing: enter it in cm, for the way onto the stretcher.",
    })
    return
  }
  draft.decide({
    id: 'loading',
    value: heightCm + beyondLegCm > stretcherCm ? 'feet-first' : 'head-first',
    source: 'practice',
    formula: 'Feet first when stature + 25 cm is more than the stretcher, else head first.',
    working: [
      { label: 'Stature', value: heightCm, unit: 'cm', from: 'measured' },
      { label: 'Frame beyond the heel', value: beyondLegCm, unit: 'cm', from: 'default' },
      { label: 'Stretcher', value: stretcherCm, unit: 'cm', from: 'default' },
    ],
  })
}

/** Which end goes first, in words. */
export function loadingWords(draft: PlanDraft): string {
  const loading = draft.collect().decisions.find((decision) => decision.id === 'loading')
  return loading ? String(loading.value).replace('-', ' ') : 'feet first if the frame overhangs'
}
