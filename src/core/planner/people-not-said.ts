import { formatValue } from './format-decision'
import type { RoledCaution } from './at-steps'

/** What stands while nobody has said how many are here and more than one is needed: it is asked, and nothing is warned of by a guess. */
export function peopleNotSaid(decision: string, needed: number): RoledCaution {
  return {
    level: 'note',
    code: 'people-not-said',
    decisions: [decision],
    steps: [],
    at: ['settles'],
    text: `${formatValue(needed, 'people')} are needed: say how many are here.`,
    why: 'Hands that are not there cannot hold, and nobody has said who is.',
  }
}
