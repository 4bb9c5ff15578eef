import { sideAnswerOf } from '#ward/case/side-state'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'
import { isSlip, slipWords } from './slip'

/** A slip is taken back within seconds; later a new look says where the device is. */
export const rules = {
  check({ at }, record) {
    const answer = sideAnswerOf(record)
    if (!answer) return refuse('format', 'kind', 'Nobody has said which limb it is on: there is nothing to undo.')
    if (isSlip(answer.at, at)) return
    refuse('out-of-range', 'at', `The answer is older than ${slipWords} and stands: report the wrong side again, and look again.`)
  },
} satisfies CaseRules<object>
