import type { SeniorWord } from '#core/model/standing'
import { readItemId } from '#core/rounds/item-ids'
import type { SeniorDecision } from '#core/standing/standing-finding'
import type { CaseRecord, DecisionRecord } from '#contract/records/case'
import { decisionWords } from '#contract/records/decision-words'

const minuteMs = 60_000

/** What seniors said about a case, in the order of time. */
export function wordsOf({ seniorDecisions = [] }: Pick<CaseRecord, 'seniorDecisions'>): readonly SeniorWord[] {
  return seniorDecisions.map((one) => ({
    atMs: Date.parse(one.at),
    by: one.by,
    how: one.how,
    enteredBy: one.enteredBy,
    text: decisionWords(one),
    comesAtMs: one.comesInMin === undefined ? null : Date.parse(one.at) + one.comesInMin * minuteMs,
    isOrderToOpen: one.answer === 'open-now',
  }))
}

/** What is left as it is: a decision for each finding that was seen as urgent; minutes since the epoch. */
export function leftAsItIs({ by, how, answer, saw, at, forMin }: DecisionRecord): readonly SeniorDecision[] {
  if (answer !== 'leave' || forMin === undefined) return []
  const atMin = Math.floor(Date.parse(at) / minuteMs)
  return saw.flatMap(({ id, level }) => {
    const target = level === 'urgent' ? readItemId(id) : null
    return target ? [{ atMin, by, ...target, untilMin: atMin + forMin, isAtBedside: how === 'bedside' }] : []
  })
}
