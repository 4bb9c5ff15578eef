import type { Protocol } from '#core/quantities/defaults'
import type { PlanContext } from '#core/model/plan-context'
import { comparePlans } from '#core/planner/compare-plans'
import { nextRound } from '#core/rounds/live-rounds'
import { findTechnique } from '#core/techniques/registry'
import { planCase } from '#core/techniques/plan-case'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { caseRounds } from './case-progress'
import { toClinicalCase } from '../case/clinical-case'
import { changeWords } from '../case/plan-in-force'

const dayMs = 24 * 3_600_000

/**
 * What another protocol would change of a live case, in words: its plan as it would be made now, when its next round is due, and how many
 * come within a day. None where nothing would.
 * @param ctx everything of the context but the protocol
 */
export function protocolEffect(
  record: CaseRecord,
  episode: EpisodeRecord,
  to: Protocol,
  ctx: Omit<PlanContext, 'protocol'>,
  nowMs: number,
): readonly string[] {
  const clinicalCase = toClinicalCase(record, episode)
  const [before, after] = [protocolOf(record), to].map((protocol) => planCase(clinicalCase, { ...ctx, protocol }))
  const words = before && after ? changeWords(comparePlans(before, after, findTechnique(record.technique)?.decisions ?? [])) : []
  return [...words, ...roundWords(record, episode, to, nowMs)]
}

function roundWords(record: CaseRecord, episode: EpisodeRecord, to: Protocol, nowMs: number): readonly string[] {
  if (!record.appliedAt || record.removedAt !== null) return []
  const [was, is] = [record, { ...record, protocol: to }].map((one) => {
    const open = caseRounds(one, episode, nowMs).filter((round) => round.doneAt === null)
    return { next: nextRound(open), inADay: open.filter((round) => round.dueAt <= nowMs + dayMs).length }
  })
  if (!was || !is) return []
  const shift = was.next && is.next ? Math.round((is.next.dueAt - was.next.dueAt) / 60_000) : 0
  return [
    ...(shift === 0 ? [] : [`Next round ${Math.abs(shift)} min ${shift < 0 ? 'earlier' : 'later'}`]),
    ...(was.inADay === is.inADay ? [] : [`Rounds in the next 24 h ${was.inADay} → ${is.inADay}`]),
  ]
}
