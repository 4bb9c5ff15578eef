import type { Level } from '#core/model/finding'
import { actionTexts } from '#core/model/action'
import { nameOfId } from '#core/standing/item-names'
import { gripWords } from '#core/runs/grips'
import type { Caution, Plan } from '#core/model/plan'
import { stepName } from '#core/runs/step-name'
import { findDeviations, type Deviation } from '#core/runs/find-deviations'
import { decisionsInRole } from '#core/techniques/decision-in-role'
import { findTechnique } from '#core/techniques/registry'
import { spoken } from '#core/model/vocabulary'
import { callsOf } from '../rounds/calls-of'
import { decisionWords } from '#contract/records/decision-words'
import { standCaseRounds } from '../rounds/case-rounds'
import { standingOf } from '../standing/standing-of-case'
import type { CaseRecord } from '#contract/records/case'
import { patientIdentity, type EpisodeRecord, type RoundRecord } from '#contract/records/episode'
import { harmWords } from '#contract/records/incident'
import { isOpeningRun, kindOfRun } from '#contract/records/run-kind'
import { orderLines } from '../case/order-lines'
import { lotLines, usedItems, type LotLine } from '../case/lots-used'
import { spiteOf } from './shift-story'
import { sideLines } from '../case/side-lines'
import { timerLines, wettedWords } from './timer-lines'
import { typedBeside } from '../case/typed-beside'
import type { RunRecord, TroubleRecord } from '#contract/records/run'

/** A line of the run record; `at` is ISO 8601 where it has a time. */
export interface SummaryLine {
  readonly at: string | null
  readonly text: string
  readonly by: string
}
export interface SummarySection {
  readonly id: string
  readonly title: string
  readonly lines: readonly SummaryLine[]
}
/** What was done by whom when, in sections that screen and paper both print. */
export interface RunSummary {
  readonly title: string
  readonly facts: readonly (readonly [string, string])[]
  readonly sections: readonly SummarySection[]
}

const plain = (text: string): SummaryLine => ({ at: null, text, by: '' })
/**
 * Puts a run together for reading and printing.
 * @param nowMs the server's time: what stands is said as of then
 * @param live what a plan made now warns of; null where none was made
 */
export function summariseRun(
  record: CaseRecord,
  episode: EpisodeRecord,
  run: RunRecord,
  plan: Plan,
  nowMs: number,
  live: readonly Caution[] | null,
): RunSummary {
  const technique = findTechnique(plan.technique)
  const injury = episode.injuries[record.injuryId]
  const { steps } = plan.procedure
  const isWet = steps.some((step) => step.wet)
  const facts: (readonly [string, string])[] = [
    ['Patient', patientIdentity(episode)],
    ['Part', [injury?.side ?? '', injury?.region ? spoken(injury.region) : ''].filter(Boolean).join(' ') || 'not set'],
    ['Technique', `${technique?.name ?? plan.technique}${isOpeningRun(run) && run.isOpenNow ? ', opened now' : ''}`],
    ['Place', episode.place],
    ['Begun by', run.by],
    ...(run.wrongSide ? [['Ended', `wrong side, by ${run.wrongSide.by}: nothing in it counts for the right limb`] as const] : []),
    ...(record.accepted ? [['Plan accepted by', record.accepted.by] as const] : []),
    ...(isWet ? [['Water, room', wettedWords(run, record.setup)] as const] : []),
  ]
  const sections = [
    ...doneSections(record, run, plan),
    ...saidSections(record, run, plan),
    ...sinceSections(record, episode, run, nowMs, live),
  ]
  return {
    title: isOpeningRun(run) ? 'Opening record' : 'Run record',
    facts,
    sections: sections.filter((section) => section.lines.length > 0),
  }
}

/** What was done with the hands: steps, angles, pulls, straps, clocks, materials. */
function doneSections(record: CaseRecord, run: RunRecord, plan: Plan): readonly SummarySection[] {
  const { steps } = plan.procedure
  const label = labelOf(plan)
  return [
    {
      id: 'steps',
      title: 'Steps',
      lines: run.steps
        .filter((entry) => entry.outcome !== 'undone')
        .map((entry) => ({ at: entry.at, by: entry.by, text: `${label(entry.stepId)}${entry.outcome === 'skipped' ? ': skipped' : ''}` })),
    },
    { id: 'spite', title: 'Kept in spite', lines: spiteOf(record, [run]) },
    {
      id: 'deviations',
      title: 'Deviations',
      lines: findDeviations(steps, run.steps).map((deviation) => describeDeviation(deviation, label)),
    },
    {
      id: 'angles',
      title: 'Angles',
      lines: (run.angles ?? []).map((one) => {
        const aim = steps.flatMap((step) => step.angles ?? []).find((angle) => angle.id === one.angleId)
        return {
          at: one.at,
          by: one.by,
          text: `${aim?.label ?? one.angleId} ${one.deg}°${aim ? `, aim ${aim.lowDeg}° to ${aim.highDeg}°` : ''}, by ${one.tool.replaceAll('-', ' ')}`,
        }
      }),
    },
    {
      id: 'pulls',
      title: 'Pull',
      lines: (run.pulls ?? []).map((pull) => ({
        at: pull.at,
        by: pull.by,
        text: `${pull.kg === null ? 'not read' : `${pull.kg} kg by ${pull.tool}`}; pain ${pull.painBefore ?? 'not asked'} before, ${pull.painAfter ?? 'not asked'} after; length ${pull.isEqualLength ? 'as the other leg' : 'not compared or not equal'}`,
      })),
    },
    { id: 'straps', title: 'Straps', lines: strapLines(run, plan) },
    { id: 'timers', title: 'Timers', lines: timerLines(run) },
    { id: 'materials', title: 'Materials', lines: materialLines(record, run, plan) },
    {
      id: 'figures',
      title: 'Planned figures',
      lines: decisionsInRole(plan, 'recorded').map((decision) =>
        plain(`${decision.label}: ${decision.display}${decision.overruled ? ' (overruled)' : ''}`),
      ),
    },
  ]
}

/** Who did it by whose order, and what was said of it. */
function saidSections(record: CaseRecord, run: RunRecord, plan: Plan): readonly SummarySection[] {
  const label = labelOf(plan)
  const last = run.steps.at(-1)
  return [
    {
      id: 'crew',
      title: 'Hands',
      lines: [
        ...(record.crew ?? []).map((member) => plain(`${member.name} ${gripWords(member.place, plan.geometry.body)}`)),
        ...(run.handOvers ?? []).map((handOver) => ({
          at: handOver.at,
          by: handOver.by,
          text: `handed over ${gripWords(handOver.place, plan.geometry.body)}: ${handOver.from || 'unnamed'} to ${handOver.to}`,
        })),
      ],
    },
    {
      id: 'orders',
      title: 'Orders',
      lines: [
        ...(record.ordersEntered ? orderLines(record).map((text) => ({ ...record.ordersEntered!, text: `${text}: entered` })) : []),
        ...(record.readBacks ?? []).map((readBack) => ({
          at: readBack.at,
          by: readBack.by,
          text: `${readBack.what}: said back to ${readBack.orderedBy}`,
        })),
      ],
    },
    {
      id: 'troubles',
      title: 'What went wrong',
      lines: (run.troubles ?? []).map((trouble) => ({
        at: trouble.at,
        by: trouble.by,
        text: `${trouble.label}${trouble.stepId ? ` at ${label(trouble.stepId)}` : ''}${trouble.note ? `: ${trouble.note}` : ''}${typedWords(record, trouble)}`,
      })),
    },
    { id: 'side', title: 'Side', lines: sideLines(record) },
    {
      id: 'incidents',
      title: 'Incidents reported',
      lines: (record.incidents ?? []).map((incident) => ({
        at: incident.at,
        by: incident.by,
        text: `${incident.what}; ${harmWords[incident.harm]}${incident.lot ? `; lot ${incident.lot}` : ''}`,
      })),
    },
    {
      id: 'notes',
      title: 'Notes',
      lines: record.notes
        .filter(
          (note) =>
            Date.parse(note.at) >= Date.parse(run.startedAt) &&
            (!last || isOpeningRun(run) || !record.appliedAt || Date.parse(note.at) <= Date.parse(record.appliedAt) + 3_600_000),
        )
        .slice(-20)
        .map((note) => ({ at: note.at, by: note.by, text: note.text })),
    },
  ]
}

/** What was found since, and what was done about it. */
function sinceSections(
  record: CaseRecord,
  episode: EpisodeRecord,
  run: RunRecord,
  nowMs: number,
  live: readonly Caution[] | null,
): readonly SummarySection[] {
  return [
    {
      id: 'standing',
      title: 'What stands',
      lines: standingOf(record, episode, live && { cautions: live }, nowMs).items.map((item) => ({
        at: new Date(item.sinceMs).toISOString(),
        by: item.settled ? `settled by ${item.settled.by}` : '',
        text: `${item.level}: ${item.text}`,
      })),
    },
    {
      id: 'responses',
      title: 'What was done about it',
      lines: responseLines(record),
    },
    {
      id: 'checks',
      title: 'Checks',
      lines: standCaseRounds(record, episode, nowMs)
        .judged.filter(({ round, verdict }) => isOfRun(run, round, verdict.level))
        .slice(0, mostRounds)
        .map(({ round, verdict }) => ({
          at: round.at,
          by: round.by,
          text: `${round.isBaseline ? 'baseline' : 'check'}: ${verdict.level === 'none' ? 'no warning in what was entered' : verdict.level}${verdict.complete ? '' : ', incomplete'}`,
        })),
    },
  ]
}

/** A step's name by its id, also where the plan knows it no more. */
function labelOf({ procedure: { steps } }: Plan): (stepId: string) => string {
  return (stepId) => stepName(steps.find((step) => step.id === stepId) ?? { id: stepId })
}

const mostRounds = 8
/** How far back an opening looks for what it was opened for. */
const beforeOpeningMs = 12 * 3_600_000

/** Whether a round is told with a run: the baseline, what came after its start, and of an opening the urgent rounds that led to it. */
function isOfRun(run: RunRecord, { at, isBaseline }: Pick<RoundRecord, 'at' | 'isBaseline'>, level: Level): boolean {
  const sinceMs = Date.parse(at) - Date.parse(run.startedAt)
  return isBaseline || sinceMs >= 0 || (isOpeningRun(run) && level === 'urgent' && sinceMs > -beforeOpeningMs)
}

/** What a run used; of what stays on, its lots as far as anybody asked. */
function materialLines(record: CaseRecord, run: RunRecord, plan: Plan): readonly SummaryLine[] {
  return kindOfRun(run) === 'application' ? lotLines(record, plan).map(lotLine) : usedItems(plan).map((usedItem) => plain(usedItem.label))
}

function lotLine({ label, answer }: LotLine): SummaryLine {
  if (!answer) return plain(`${label}: lot not asked`)
  const lots = answer.lots.length > 0 ? `${answer.lots.length > 1 ? 'lots' : 'lot'} ${answer.lots.join(', ')}` : 'lot unknown'
  return { ...plain(`${label}: ${lots}`), by: answer.by }
}

/** Actions, calls, decisions and troubles that ended, in the order of their times. */
function responseLines(record: CaseRecord): readonly SummaryLine[] {
  const lines = [
    ...(record.responses ?? []).map(({ at, by, action, outcome, why }) => ({
      at,
      by,
      text: `${actionTexts[action]} ${outcome === 'done' ? 'Done' : 'Not done'}${why ? `: ${why}` : ''}`,
    })),
    ...callsOf(record).map(({ at, by, to, isReached, said }) => ({
      at,
      by,
      text: `Called ${to}: ${isReached ? 'reached' : 'not reached'}${said ? `, ${said}` : ''}`,
    })),
    ...(record.seniorDecisions ?? []).map((seniorDecision) => ({
      at: seniorDecision.at,
      by: seniorDecision.enteredBy,
      text: `${seniorDecision.by}${seniorDecision.how === 'telephone' ? ', by telephone' : ''}: ${decisionWords(seniorDecision)}. About: ${seniorDecision.saw.map(({ id }) => nameOfId(id)).join(', ')}`,
    })),
    ...(record.troubles ?? []).flatMap(({ label, ended }) =>
      ended ? [{ at: ended.at, by: ended.by, text: `${label}: over, ${ended.word}` }] : [],
    ),
  ]
  return lines.sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
}

function typedWords(record: CaseRecord, trouble: TroubleRecord): string {
  const typed = typedBeside(record, trouble)
  return typed === null ? '' : `: “${typed}”`
}

function describeDeviation(one: Deviation, label: (stepId: string) => string): SummaryLine {
  const words = {
    skipped: `${label(one.stepId)} skipped`,
    repeated: `${label(one.stepId)} done again`,
    'taken-back': `${label(one.stepId)} taken back`,
    'out-of-order': `${label(one.stepId)} before ${one.before ? label(one.before) : 'its turn'}${one.harm ? `: ${one.harm}` : ''}`,
    'another-order': `${label(one.stepId)} before ${one.before ? label(one.before) : 'its turn'}, another order than usual here`,
  }[one.kind]
  return { at: one.at, by: one.by, text: `${words}${one.reason ? `: ${one.reason}` : ''}` }
}

/** The last mark of every strap, and why one was closed out of turn. */
function strapLines(run: RunRecord, plan: Plan): readonly SummaryLine[] {
  const last = new Map<string, NonNullable<RunRecord['straps']>[number]>()
  for (const one of run.straps ?? []) last.set(`${one.stepId} ${one.strapId}`, one)
  return [...last.values()].map((one) => {
    const strap = plan.procedure.steps.flatMap((step) => step.straps?.straps ?? []).find((item) => item.id === one.strapId)
    const reason = (run.straps ?? []).find((item) => item.strapId === one.strapId && item.stepId === one.stepId && item.reason)?.reason
    return { at: one.at, by: one.by, text: `${strap?.label ?? one.strapId}: ${one.mark}${reason ? `; out of turn: ${reason}` : ''}` }
  })
}
