import type { CaseRecord } from '../../records/case'
import { caseKind } from '../kind'

/** The last answer to "which limb is it on?" was a slip, taken back within seconds: the run goes on as if it had not been given. */
export const sideAnswerUndone = caseKind<object>({
  nature: 'additive',
  answersStay: true,
  right: 'add',
  fold: (record, { at, actorName: by }): CaseRecord => {
    const answers = record.sideAnswers ?? []
    const index = answers.findLastIndex((answer) => !answer.undone)
    const slip = answers[index]
    if (!slip) return record
    return {
      ...record,
      sideAnswers: answers.map((answer, each) => (each === index ? { ...answer, undone: { at, by } } : answer)),
      runs: record.runs.map(({ wrongSide, ...run }) => (wrongSide && wrongSide.at !== slip.at ? { ...run, wrongSide } : run)),
    }
  },
  example: {},
})
