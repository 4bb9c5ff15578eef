import type { Step } from '#core/model/step'

/** A step that does nothing in particular, with what a test says of it. */
export function bareStep(change: Partial<Step> & Pick<Step, 'id'>): Step {
  return {
    text: '',
    why: '',
    prevents: '',
    after: [],
    roles: [],
    hands: ['apply'],
    holds: null,
    minutes: [1, 1, 1],
    wet: false,
    cautions: [],
    where: [],
    ...change,
  }
}
