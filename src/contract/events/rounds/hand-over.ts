import type { CaseRecord } from '../../records/case'
import type { HandOverBody } from '../../records/run'
import { exampleRunId } from '../example-ids'
import { byTime, changeRun, recordedIn } from '../in-run'
import { caseKind } from '../kind'

/** A hold that one person gives to another. */
export const handOver = caseKind<HandOverBody>({
  nature: 'additive',
  right: 'add',
  fold: (record, event): CaseRecord => {
    const { runId, place, from, to } = event.body
    const crew = (record.crew ?? []).map((member) => (member.name === from && member.place === place ? { name: to, place } : member))
    const handed = changeRun(record, runId, (run) => ({ ...run, handOvers: byTime([...(run.handOvers ?? []), recordedIn(event)]) }))
    return { ...handed, crew }
  },
  example: { runId: exampleRunId, place: 'hold-distal', from: 'Tobin', to: 'Wilf' },
})
