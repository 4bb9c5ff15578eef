import type { RoundRecord } from '../records/episode'
import { exampleCaseId } from './example-ids'
import { byTime } from './in-run'
import { episodeKind } from './kind'
import { upcastRoundTo2 } from './round-v2'

export type RoundBody = Omit<RoundRecord, 'id' | 'by' | 'at' | 'mark'>

/** One look at the patient, done or not done. */
export const round = episodeKind<RoundBody>({
  nature: 'additive',
  right: 'add',
  bearsOnPlan: true,
  upcasters: [upcastRoundTo2],
  fold: (record, { id, at, actorName: by, mark, body }) => ({
    ...record,
    rounds: byTime([...record.rounds, { id, at, by, ...(mark ? { mark } : {}), ...body }]),
  }),
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
