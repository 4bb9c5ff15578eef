import type { MeasurementDefinition } from '../../../model/measurement-definition'

function trunk(
  id: string,
  label: string,
  kind: 'girth' | 'length',
  landmarks: string,
  posture: string,
  statureShare: number | null,
  signed = false,
): MeasurementDefinition {
  return { id, label, kind, landmarks, posture, sideRule: 'none', statureShare, ...(signed ? { signed, moves: true } : {}) }
}
const lying = 'Lying flat, breathing out gently'

export const waistGirth = trunk('waist-girth', 'Waist girth', 'girth', 'Round the narrowest part above the hip bones', lying, 0.48)
export const chestGirth = trunk('chest-girth', 'Chest girth', 'girth', 'Round the chest at the level of the armpits', lying, 0.54)
export const hipGirth = trunk('hip-girth', 'Hip girth', 'girth', 'Round the hips at their widest', lying, 0.57)
export const notchPubis = trunk(
  'notch-pubis',
  'Notch to pubis',
  'length',
  'From the notch of the breastbone to the pubic bone',
  lying,
  0.29,
)
export const frontArc = trunk(
  'front-arc',
  'Front shell at the waist',
  'length',
  'Along the front shell at the waist, edge to edge',
  'Shell on the table',
  null,
)
export const backArc = trunk(
  'back-arc',
  'Back shell at the waist',
  'length',
  'Along the back shell at the waist, edge to edge',
  'Shell on the table',
  null,
)
export const overlapLeft = trunk(
  'overlap-left',
  'Overlap, left',
  'length',
  'How far front overlaps back on the left, at the waist',
  'Straps closed',
  null,
  true,
)
export const overlapRight = trunk(
  'overlap-right',
  'Overlap, right',
  'length',
  'How far front overlaps back on the right, at the waist',
  'Straps closed',
  null,
  true,
)

function clearance(posture: 'lying' | 'standing' | 'sitting' | 'loose' | 'tight'): MeasurementDefinition {
  return trunk(
    `edge-to-notch-${posture}`,
    `Edge to notch, ${posture}`,
    'length',
    'From the upper edge of the front shell up to the notch of the breastbone',
    posture === 'loose'
      ? 'Straps touched down, not pulled'
      : posture === 'tight'
        ? 'Straps pulled, before anybody moves'
        : `${posture.charAt(0).toUpperCase()}${posture.slice(1)}, straps closed`,
    null,
    true,
  )
}
export const edgeLying = clearance('lying')
export const edgeStanding = clearance('standing')
export const edgeSitting = clearance('sitting')
export const edgeLoose = clearance('loose')
export const edgeTight = clearance('tight')

/** How far each strap was pulled through, the pairs from the top: left and right are to be equal. */
export const shellStraps: readonly { readonly left: MeasurementDefinition; readonly right: MeasurementDefinition }[] = [1, 2, 3].map(
  (pair) => {
    const on = (side: 'left' | 'right'): MeasurementDefinition =>
      trunk(
        `strap-${side}-${pair}`,
        `Strap ${pair} from the top, ${side}`,
        'length',
        `How far the end of strap ${pair}, counted from the top, stands past its ring on the ${side}`,
        'Straps closed',
        null,
        true,
      )
    return { left: on('left'), right: on('right') }
  },
)

export const grooveToCrest: MeasurementDefinition = {
  id: 'groove-to-crest',
  label: 'Groove to hip crest',
  kind: 'length',
  landmarks: 'From the waist groove of the shell to the top of the hip crest, on each side; below 0 when the groove lies lower',
  posture: 'Straps closed',
  sideRule: 'both',
  statureShare: null,
  signed: true,
  moves: true,
}
export const armpitSeat = trunk(
  'armpit-seat',
  'Armpit to seat',
  'length',
  'From the armpit straight down to the seat',
  'Seated as found, back supported',
  0.25,
)
export const occiputGap = trunk(
  'occiput-gap',
  'Gap behind the head',
  'length',
  'From the back of the head to the vest',
  'Back straight, eyes level, head held',
  null,
  true,
)
