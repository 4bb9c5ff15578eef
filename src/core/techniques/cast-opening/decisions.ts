import { marginCm, minutes, pressureKpa, rolls, type DecisionDefinition } from '../../model/decision-definition'
import { leastCrew } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  minutes('earliest', 'Earliest, after application'),
  minutes('latest', 'Latest, after application'),
  marginCm('room-gained', 'Room gained', { least: 0, greatest: 10, step: 0.1 }),
  pressureKpa('pressure-before', 'Pressure closed, at 72 h (estimate)'),
  pressureKpa('pressure-after', 'Pressure opened, at 72 h (estimate)'),
  rolls('crepe', 'Crepe'),
  leastCrew,
]
