import { forUse, marginCm, minutes, pressureKpa, rolls, withRoles, type DecisionDefinition } from '../../model/decision-definition'
import { leastCrew } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  withRoles(minutes('earliest', 'Earliest, after application'), 'recorded'),
  withRoles(minutes('latest', 'Latest, after application'), 'before-opening'),
  withRoles(marginCm('room-gained', 'Room gained', { least: 0, greatest: 10, step: 0.1 }), 'recorded', 'before-opening'),
  withRoles(pressureKpa('pressure-before', 'Pressure closed, at 72 h (estimate)'), 'before-opening'),
  withRoles(pressureKpa('pressure-after', 'Pressure opened, at 72 h (estimate)'), 'before-opening'),
  withRoles(forUse('wrap', rolls('crepe', 'Crepe')), 'before-opening'),
  leastCrew,
]
