import type { CaseRecord } from '../../records/case'
import { kindOfRun } from '../../records/run-kind'
import { verdictOf, type SideAnsweredBody } from '../../records/side'
import { caseKind } from '../kind'

/**
 * Somebody looked which limb the device is on, after the side was changed or doubted. On the wrong one, or not on yet, the run ends as
 * wrong side: nothing done in it counts for the right limb.
 */
export const sideAnswered = caseKind<SideAnsweredBody>({
  nature: 'additive',
  answersStay: true,
  right: 'add',
  words: ({ on, hurt }) => `Looked where it is: ${on}${hurt ? `; the injured one is the ${hurt}` : ''}`,
  fold: (record, { at, actorName: by, body }): CaseRecord => {
    const answered = { ...record, sideAnswers: [...(record.sideAnswers ?? []), { ...body, at, by }] }
    if (verdictOf(body) === 'right') return answered
    const runs = record.runs.map((run) => (kindOfRun(run) === 'taking-off' || run.wrongSide ? run : { ...run, wrongSide: { at, by } }))
    return { ...answered, runs }
  },
  example: { on: 'left', hurt: 'right' },
})
