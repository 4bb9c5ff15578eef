import { angleDeg, hours, lengthCm, marginCm, words, withRoles, type DecisionDefinition } from '../../model/decision-definition'
import { leastCrew } from '../shared/decisions'

/** Open, locked, or the angle at which it is locked: words or degrees. */
const lockSetting: DecisionDefinition = { ...words('lock', 'Lock') }

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  lengthCm('upper-bar', 'Upper bar'),
  lengthCm('lower-bar', 'Lower bar'),
  ...[1, 2, 3, 4].map((strap) => marginCm(`strap-trim-${strap}`, `Trim strap ${strap} by`, { greatest: 120 })),
  angleDeg('extension-stop', 'Extension stop'),
  angleDeg('flexion-stop', 'Flexion stop'),
  lockSetting,
  hours('next-change', 'Next change of stops in', { greatest: 90 * 24 }),
  withRoles(marginCm('pistoning', 'Slides at the flexion stop', { least: 0, greatest: 20, step: 0.2 }), 'found'),
  leastCrew,
]
