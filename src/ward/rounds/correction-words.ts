import { spoken } from '#core/model/vocabulary'
import type { Look } from '#core/rounds/look'
import { itemId } from '#core/rounds/look'
import { looksOfOne } from '#core/standing/fold-rounds'
import { nameOfPart } from '#core/standing/item-names'
import type { CaseRecord } from '#contract/records/case'
import type { CorrectedRound, EpisodeRecord } from '#contract/records/episode'
import { toClinicalCase } from '../case/clinical-case'
import { casesServed } from './related-cases'

/** What a correction changed: of which look, when, by whom, and in words. */
export interface Correction {
  /** Time of the look, ISO 8601 UTC. */
  readonly lookAt: string
  readonly correctedAt: string
  readonly by: string
  /** "left leg: refill 2 s, not 6 s"; what was urgent of it and is no more is said as withdrawn. */
  readonly text: string
  /** Ids of what was urgent by the look as it was first entered. */
  readonly wasUrgent: readonly string[]
}

/** What was put right of the rounds of a case, in the order in which it was. */
export function correctionsOf(record: CaseRecord, episode: EpisodeRecord): readonly Correction[] {
  const served = casesServed(record)
  return (episode.correctedRounds ?? [])
    .filter((old) => old.isBaseline || served.some((id) => old.cases.includes(id)))
    .map((old, index, all) => {
      // Put right twice: each is held against what came in its place.
      const next = all.slice(index + 1).find((one) => one.at === old.at && one.isBaseline === old.isBaseline)
      const now = next ?? episode.rounds.find((round) => round.at === old.at && round.correctedAt !== undefined)
      return correctionOf(record, episode, old, now)
    })
}

function correctionOf(
  record: CaseRecord,
  episode: EpisodeRecord,
  old: CorrectedRound,
  now: Pick<CorrectedRound, 'findings' | 'outcome'> | undefined,
): Correction {
  const looks = (findings: CorrectedRound['findings']): ReadonlyMap<string, Look> =>
    new Map(looksOfOne(toClinicalCase(record, episode), { ...findings, atMin: 0 }).map((look) => [itemId(look), look]))
  const [before, after] = [looks(old.findings), now ? looks(now.findings) : new Map<string, Look>()]
  const changed = [...new Set([...before.keys(), ...after.keys()])].filter((id) => before.get(id)?.text !== after.get(id)?.text)
  const outcome = now && now.outcome !== old.outcome ? [`round ${spoken(now.outcome)}, not ${spoken(old.outcome)}`] : []
  const words = [...outcome, ...changed.map((id) => changeWords(before.get(id), after.get(id)))]
  const wasUrgent = [...before.values()].filter((look) => look.level === 'urgent').map(itemId)
  const isWithdrawn = wasUrgent.some((id) => after.get(id)?.level !== 'urgent')
  return {
    lookAt: old.at,
    correctedAt: old.correctedAt ?? old.at,
    by: old.correctedBy,
    text: [...words, ...(isWithdrawn ? ['what was urgent by it is withdrawn'] : [])].join('; ') || 'nothing that is judged',
    wasUrgent,
  }
}

function changeWords(before: Look | undefined, after: Look | undefined): string {
  const part = nameOfPart((after ?? before)?.part ?? '')
  const lower = (look: Look): string => look.text.charAt(0).toLowerCase() + look.text.slice(1)
  if (!after) return `${part}: ${before ? lower(before) : ''} was not looked at`
  return `${part}: ${lower(after)}${before ? `, not ${lower(before)}` : ''}`
}
