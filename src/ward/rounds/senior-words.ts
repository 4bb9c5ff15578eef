import type { SeniorWord } from '#core/model/standing'
import { readItemId } from '#core/rounds/item-ids'
import type { SeniorDecision } from '#core/standing/standing-finding'
import type { CaseRecord, DecisionRecord } from '#contract/records/case'
import { decisionWords } from '#contract/records/decision-words'

const minuteMs = 60_000

/** What seniors said about a case, in the order of time. */
export function wordsOf({ seniorDecisions = [] }: Pick<CaseRecord, 'seniorDecisions'>): readonly SeniorWord[] {
  return seniorDecisions.map((seniorDecision) => ({
    atMs: Date.parse(seniorDecision.at),
    by: seniorDecision.by,
    how: seniorDecision.how,
    enteredBy: seniorDecision.enteredBy,
    text: decisionWords(seniorDecision),
    comesAtMs: seniorDecision.comesInMin === undefined ? null : Date.parse(seniorDecision.at) + seniorDecision.comesInMin * minuteMs,
    isOrderToOpen: seniorDecision.answer === 'open-now',
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
