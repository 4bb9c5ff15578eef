import { runName } from '#contract/records/run-kind'
import { questionsOf } from '#ward/case/questions'
import { flagLabel } from '#core/model/flag-words'
import { DateTime } from 'luxon'
import type { Plan } from '#core/model/plan'
import { decisionsInRole } from '#core/techniques/decision-in-role'
import type { SheetId } from '#contract/api/papers'
import { protocolOf, type CaseRecord } from '#contract/records/case'
import { endingWords } from '#contract/records/ending'
import { identifiersOf, patientLabel, type EpisodeRecord } from '#contract/records/episode'
import { protocolName } from '#contract/records/protocol'
import { handOverOf } from '#ward/story/hand-over'
import { planOfRun } from '#ward/case/plan-in-force'
import { summariseRun } from '#ward/story/run-summary'
import { printFlow, type FlowBlock } from './flow-paper'
import type { PackedCase } from './downtime-pack'
import { handOverBlocks } from './hand-over-paper'
import { incidentBlocks } from './incident-paper'
import { roundChartBlocks } from './round-chart-paper'
import { sectionBlocks } from './run-record-paper'

/** Of each run: what differed from its steps, what was measured, what went wrong. */
const ofRun: readonly string[] = ['deviations', 'angles', 'pulls', 'straps', 'troubles']
/** Of the case, as its last run tells it. */
const ofCase: readonly string[] = ['orders', 'side', 'responses']

/** A case with the plan that is told of it. */
type SummarisedCase = PackedCase & { readonly plan: Plan }

/** A case for whoever goes on with it elsewhere: what is on and why, what stands, what was done, how it ended. */
export function printCaseSummary(told: SummarisedCase, printedAt: string, sheet: SheetId): Promise<Buffer> {
  const { episode } = told
  const title = `Case summary: ${patientLabel(episode)}`
  return printFlow(caseSummaryBlocks(told, printedAt), { title, zone: episode.zone, printedAt }, sheet)
}

/** The summary as it flows down its pages. */
export function caseSummaryBlocks({ record, episode, plan, live }: SummarisedCase, printedAt: string): readonly FlowBlock[] {
  const { zone } = episode
  const nowMs = Date.parse(printedAt)
  const at = (iso: string): string => DateTime.fromISO(iso, { zone }).toFormat('d LLL yyyy, HH:mm')
  const heading = (text: string): FlowBlock => ({ kind: 'heading', text })
  const line = (text: string): FlowBlock => ({ kind: 'line', text })
  const summaries = record.runs.map((run) => ({ run, ...summariseRun(record, episode, run, planOfRun(record, run, plan), nowMs, live) }))
  const accepted = record.accepted ? `accepted by ${record.accepted.by}, ${at(record.accepted.at)}` : 'not accepted'
  return [
    { kind: 'title', text: `Case summary: ${patientLabel(episode)}` },
    line(whoOf(record, episode)),
    ...(record.ended
      ? [{ kind: 'strong', text: `${endingWords[record.ended.how]}: ${at(record.ended.at)}, ${record.ended.by}.` } as const]
      : []),
    ...handOverBlocks([handOverOf(record, episode, nowMs, live)], zone).slice(1),
    heading('Plan'),
    line(`The plan is ${accepted}; protocol ${protocolName(protocolOf(record))}.`),
    { kind: 'list', lines: decisionsInRole(plan, 'recorded').map((decision) => `${decision.label}: ${decision.display}`) },
    ...(summaries.at(-1)?.sections ?? [])
      .filter((section) => ofCase.includes(section.id))
      .flatMap((section) => sectionBlocks(section, zone, 'd LLL HH:mm')),
    ...summaries.flatMap(({ run, sections }): readonly FlowBlock[] => {
      const what = runName(run)
      return [
        heading(`${what} ${at(run.startedAt)}, ${run.by}`),
        ...sections.filter((section) => ofRun.includes(section.id)).flatMap((section) => sectionBlocks(section, zone, 'HH:mm')),
      ]
    }),
    heading('Last rounds'),
    ...roundChartBlocks(record, episode, 0),
    ...incidentBlocks(record, zone),
    ...(record.notes.length > 0 ? [heading('Notes')] : []),
    ...record.notes.map((note) => line(`${at(note.at)}  ${note.text}  (${note.by})`)),
  ]
}

function whoOf(record: CaseRecord, episode: EpisodeRecord): string {
  const { patient, flags } = episode
  const age = patient.ageYears === null ? '' : `${patient.isAgeEstimated ? 'about ' : ''}${patient.ageYears} years`
  const notSo = questionsOf(record, episode).notSo.map(({ question }) =>
    question === 'swelling' ? 'swelling' : flagLabel(question).toLowerCase(),
  )
  return [
    identifiersOf(patient),
    patient.born ? '' : age,
    flags.map(flagLabel).join(', '),
    notSo.length > 0 ? `Asked, not so: ${notSo.join(', ')}` : '',
  ]
    .filter(Boolean)
    .join('. ')
}
