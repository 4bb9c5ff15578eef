import { forUse, angleDeg, choice, marginCm, type DecisionDefinition } from '../../model/decision-definition'
import { collarSetting, leastCrew } from '../shared/decisions'

/** Every decision that it can make, in the order in which they are shown. */
export const decisions: readonly DecisionDefinition[] = [
  collarSetting,
  angleDeg('head-tilt', 'Head tilt from the setting'),
  forUse('wrap', marginCm('slack', 'Slack of the strap, one flat finger', { least: 0, greatest: 10, step: 0.2 })),
  forUse('wrap', choice('oxygen-route', 'Oxygen', ['under-side-hooks', 'over-the-blocks'])),
  leastCrew,
]
