import type { EpisodeRecord } from '../../records/episode'
import { spoken } from '#core/model/vocabulary'
import { observationsOf } from '../../records/observations'
import type { RoundRecord } from '../../records/episode'
import { exampleCaseId } from '../example-ids'
import { byTime } from '../in-run'
import { episodeKind } from '../kind'

export type RoundBody = Omit<RoundRecord, 'id' | 'by' | 'byId' | 'at' | 'mark' | 'correctedAt' | 'why'> & {
  /** The round that this one puts right, and why. */
  readonly corrects?: { readonly round: string; readonly why: string }
}

/** One look at the patient, done or not done. */
export const round = episodeKind<RoundBody>({
  nature: 'additive',
  right: 'add',
  isUrgent: true,
  bearsOnPlan: true,
  isNoFact: true,
  names: ({ cases }) => cases,
  words: (body) =>
    body.outcome === 'done'
      ? `Round: ${observationsOf(body)
          .map(({ item, value }) => `${spoken(item.replaceAll('/', ' '))} ${value}`)
          .join('; ')}`
      : `Round, ${spoken(body.outcome)}: ${body.reason}`,
  fold: (record, { id, at, actor: byId, actorName: by, mark, body: { corrects, ...body } }): EpisodeRecord => {
    const given = { id, at, by, byId, ...(mark ? { mark } : {}), ...body }
    const wrong = corrects && record.rounds.find((one) => one.id === corrects.round)
    if (!wrong) return { ...record, rounds: byTime([...record.rounds, given]) }
    const put = { ...given, at: wrong.at, isBaseline: wrong.isBaseline, correctedAt: at, why: corrects.why }
    return {
      ...record,
      rounds: byTime([...record.rounds.filter((one) => one !== wrong), put]),
      correctedRounds: [...(record.correctedRounds ?? []), { ...wrong, correctedAt: at, correctedBy: by, why: corrects.why }],
    }
  },
  example: {
    cases: [exampleCaseId],
    isBaseline: false,
    outcome: 'done',
    reason: '',
    findings: {
      analgesia: true,
      limbs: [
        {
          limb: 'leg',
          side: 'left',
          refillS: 2,
          pulse: 'present',
          restPain: 3,
          stretchPain: { cannotAssess: true, reason: 'nerve block' },
        },
      ],
    },
  },
})
