import type { PlanDraft } from '../draft'
import type { Geometry } from '../../model/geometry'
import { neckGirth, neckHeight } from '../../figures/body/measurements/neck'
import { sketchColumn } from '../../figures/body/sketch-column'
import { drawnStatureCm } from './drawn-stature'

/** The neck between shoulders and chin as geometry for the lane. */
export function neckGeometry(draft: PlanDraft): Geometry {
  const stature = drawnStatureCm(draft.clinicalCase.patient)
  const height = draft.measure(neckHeight)
  const girth = draft.measure(neckGirth)
  const heightCm = height?.value ?? (neckHeight.statureShare ?? 0) * stature
  const girthCm = (neckGirth.statureShare ?? 0) * stature
  return sketchColumn(
    'neck',
    { id: 'neck', label: 'Neck, from the shoulder line', lengthCm: heightCm },
    [
      { id: 'shoulder', label: 'shoulder line', atCm: 0, estimate: null, sketchCm: (girth?.value ?? girthCm) * 1.15 },
      { id: 'neck', label: 'neck', atCm: heightCm / 2, estimate: girth, sketchCm: girthCm },
      { id: 'chin', label: 'under the chin', atCm: heightCm, estimate: null, sketchCm: (girth?.value ?? girthCm) * 1.05 },
    ],
    [
      { id: 'neck-height', axis: 'neck', label: 'Underside of the chin', kind: 'landmark', atCm: heightCm },
      { id: 'shoulder-line', axis: 'neck', label: 'Shoulder line', kind: 'landmark', atCm: 0 },
      { id: 'windpipe', axis: 'neck', label: 'Windpipe and neck veins', kind: 'feeling', atCm: heightCm * 0.4 },
    ],
    stature,
  )
}
