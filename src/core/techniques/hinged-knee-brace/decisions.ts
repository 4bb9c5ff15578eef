import { forUse, angleDeg, hours, lengthCm, marginCm, words, withRoles, type DecisionDefinition } from '../../model/decision-definition'
import { leastCrew } from '../shared/decisions'

/** Open, locked, or the angle at which it is locked: words or degrees. */
const lockSetting: DecisionDefinition = { ...forUse('hold', words('lock', 'Lock')) }

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  forUse('cut', lengthCm('upper-bar', 'Upper bar')),
  forUse('cut', lengthCm('lower-bar', 'Lower bar')),
  ...[1, 2, 3, 4].map((strap) => forUse('cut', marginCm(`strap-trim-${strap}`, `Trim strap ${strap} by`, { greatest: 120 }))),
  forUse('hold', angleDeg('extension-stop', 'Extension stop')),
  forUse('hold', angleDeg('flexion-stop', 'Flexion stop')),
  lockSetting,
  hours('next-change', 'Next change of stops in', { greatest: 90 * 24 }),
  withRoles(marginCm('pistoning', 'Slides at the flexion stop', { least: 0, greatest: 20, step: 0.2 }), 'found'),
  withRoles(words('hinge-drift', 'The hinge was drawn'), 'found'),
  leastCrew,
]
