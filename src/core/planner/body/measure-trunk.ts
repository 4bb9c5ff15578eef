import type { PlanDraft } from '../draft'
import type { Geometry } from '../../model/geometry'
import { chestGirth, hipGirth, notchPubis, waistGirth } from '../../figures/body/measurements/trunk'
import { sketchColumn } from '../../figures/body/sketch-column'
import { drawnStatureCm } from './drawn-stature'

/** The trunk from pubis to the notch of the breastbone as geometry for the lane. */
export function trunkGeometry(draft: PlanDraft): Geometry {
  const stature = drawnStatureCm(draft.clinicalCase.patient)
  const length = draft.measure(notchPubis)
  const lengthCm = length?.value ?? (notchPubis.statureShare ?? 0) * stature
  const place = (id: string, label: string, definition: typeof waistGirth, share: number) => ({
    id,
    label,
    atCm: share * lengthCm,
    estimate: draft.measure(definition),
    sketchCm: (definition.statureShare ?? 0) * stature,
  })
  return sketchColumn(
    'trunk',
    { id: 'trunk', label: 'Trunk, from the pubic bone', lengthCm },
    [place('hip', 'hip', hipGirth, 0.06), place('waist', 'waist', waistGirth, 0.42), place('chest', 'chest', chestGirth, 0.82)],
    [
      { id: 'notch', axis: 'trunk', label: 'Notch of the breastbone', kind: 'landmark', atCm: lengthCm },
      { id: 'crest', axis: 'trunk', label: 'Hip crest', kind: 'bone', atCm: 0.36 * lengthCm },
      { id: 'pubis', axis: 'trunk', label: 'Pubic bone', kind: 'bone', atCm: 0 },
    ],
    stature,
  )
}
