import type { MeasurementDefinition } from '../../../model/measurement-definition'

const upright = 'Eyes level, head held in line by a second person'

export const neckHeight: MeasurementDefinition = {
  id: 'neck-height',
  label: 'Neck height',
  landmarks: 'From the line of the shoulder to the underside of the chin, straight up',
  kind: 'length',
  posture: upright,
  sideRule: 'none',
  statureShare: 0.033,
}
export const neckGirth: MeasurementDefinition = {
  id: 'neck-girth',
  label: 'Neck girth',
  landmarks: 'Round the neck where the strap will lie',
  kind: 'girth',
  posture: upright,
  sideRule: 'none',
  statureShare: 0.21,
}
export const strapOverhang: MeasurementDefinition = {
  id: 'strap-overhang',
  label: 'Strap overhang',
  landmarks: 'How far the strap reaches past the edge of its landing, on each side',
  kind: 'length',
  posture: 'Lying flat, collar closed',
  sideRule: 'both',
  statureShare: null,
  signed: true,
  moves: true,
}
export const linerMargin: MeasurementDefinition = {
  id: 'liner-margin',
  label: 'Liner margin',
  landmarks: 'How far the liner stands out past the edge of the shell, at its least',
  kind: 'length',
  posture: 'Lying flat, collar closed',
  sideRule: 'none',
  statureShare: null,
  signed: true,
  moves: true,
}

/** Skin as it is judged, from best to worst. */
export const skinGrades = ['intact', 'reddens-and-blanches', 'red-not-blanching', 'broken'] as const
export type SkinGrade = (typeof skinGrades)[number]

function skinAt(area: string, label: string): MeasurementDefinition {
  return {
    id: `skin-${area}`,
    label: `Skin, ${label}`,
    landmarks: `Look and press with a finger: ${label}`,
    kind: 'words',
    posture: 'Lying flat, head held, that half of the collar off',
    sideRule: 'none',
    statureShare: null,
    words: skinGrades,
  }
}

/** The areas that a collar presses. */
export const collarSkin: readonly MeasurementDefinition[] = [
  skinAt('chin', 'chin'),
  skinAt('jaw-left', 'jaw, left'),
  skinAt('jaw-right', 'jaw, right'),
  skinAt('occiput', 'back of the head'),
  skinAt('collarbones', 'collarbones'),
  skinAt('breastbone', 'breastbone'),
  skinAt('shoulders', 'shoulders'),
]
