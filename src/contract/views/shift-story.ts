import { spoken } from '#core/model/vocabulary'
import { nameOfId, nameOfPart } from '#core/standing/item-names'
import { isCannotAssess } from '#core/model/observation'
import type { CaseRecord } from '../records/case'
import type { EpisodeRecord } from '../records/episode'
import type { RunRecord } from '../records/run'
import { countingRuns, kindOfRun, type RunKind } from '../records/run-kind'
import { standCaseRounds, type JudgedRound } from './case-rounds'
import { casesServed } from './related-cases'
import { sideLines } from './side-lines'

/** Something that happened to a patient, as one shift tells the next. Times are ISO 8601 UTC. */
export interface StoryLine {
  readonly at: string
  readonly by: string
  readonly text: string
  /** Of a loss: when that was well last; null where it was never seen well. */
  readonly wellAt?: string | null
}

/**
 * What happened since a moment, whether or not it still stands (TURNS 7): what was lost when and was well last when, and when it was well
 * again; what was opened or taken off; what was tried and could not be done; troubles; a plan or a stop that was kept in spite, and why;
 * the side.
 * @param sinceMs milliseconds since the epoch
 * @returns in the order of time
 */
export function shiftStory(record: CaseRecord, episode: EpisodeRecord, sinceMs: number, nowMs: number): readonly StoryLine[] {
  const lines = [
    ...lossesOf(standCaseRounds(record, episode, nowMs).judged),
    ...triedOf(record, episode),
    ...runsOf(record),
    ...spiteOf(record, countingRuns(record)),
    ...sideLines(record),
    ...(record.troubles ?? []).flatMap(({ at, by, label, ended }) =>
      ended?.isSlip
        ? []
        : [{ at, by, text: label }, ...(ended ? [{ at: ended.at, by: ended.by, text: `${label}: over, ${ended.word}` }] : [])],
    ),
  ]
  return lines.filter((line) => Date.parse(line.at) >= sinceMs).sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
}

/** For each item that a round found urgent: when it was lost, when it was well last, when it was well again. */
function lossesOf(judged: readonly JudgedRound[]): readonly StoryLine[] {
  const ids = new Set(judged.flatMap(({ verdict }) => urgentIn(verdict)))
  return [...ids].flatMap((id) => {
    const looks = judged.filter(({ verdict }) => !verdict.missing.some((missing) => id === missing || id.startsWith(`${missing}/`)))
    return looks.flatMap(({ round, verdict }, index): StoryLine[] => {
      const before = looks[index - 1]
      const [is, was] = [urgentIn(verdict).includes(id), before ? urgentIn(before.verdict).includes(id) : false]
      if (is === was) return []
      const name = nameOfId(id)
      if (!is) return [{ at: round.at, by: round.by, text: `Well again: ${name}` }]
      const found = verdict.findings.find((finding) => `${finding.part}/${finding.item}` === id)?.text ?? name
      return [
        {
          at: round.at,
          by: round.by,
          text: `${nameOfPart(id.split('/')[0] ?? id)}: ${lower(found)}`,
          wellAt: looks.slice(0, index).findLast((look) => isWell(look.verdict, id))?.round.at ?? null,
        },
      ]
    })
  })
}

function urgentIn({ findings }: JudgedRound['verdict']): readonly string[] {
  return findings.filter((finding) => finding.level === 'urgent').map((finding) => `${finding.part}/${finding.item}`)
}

/** Whether a look found nothing of an item, or only what was there from the start. */
function isWell({ findings }: JudgedRound['verdict'], id: string): boolean {
  return !findings.some((finding) => `${finding.part}/${finding.item}` === id && finding.level !== 'none' && finding.level !== 'known')
}

function lower(text: string): string {
  return text.charAt(0).toLowerCase() + text.slice(1)
}

/** Rounds that somebody came for and could not do, and what could not be assessed, one line each. */
function triedOf(record: CaseRecord, episode: EpisodeRecord): readonly StoryLine[] {
  const served = casesServed(record)
  return episode.rounds
    .filter((round) => served.some((id) => round.cases.includes(id)))
    .flatMap(({ at, by, outcome, reason, findings }): StoryLine[] => {
      if (outcome !== 'done') return [{ at, by, text: `Round not done, ${spoken(outcome)}${reason ? `: ${reason}` : ''}` }]
      const count = findings.limbs.flatMap((limb) => Object.values(limb)).filter(isCannotAssess).length
      return count > 0 ? [{ at, by, text: `Could not be assessed: ${count} ${count === 1 ? 'item' : 'items'}` }] : []
    })
}

/** Openings, takings off and applications. */
function runsOf(record: CaseRecord): readonly StoryLine[] {
  const begun = record.runs.map((run) => ({
    at: run.startedAt,
    by: run.by,
    text: `Began to ${beginnings[kindOfRun(run)]}${run.isOpenNow ? ' at once' : ''}`,
  }))
  const on = record.appliedAt ? [{ at: record.appliedAt, by: record.runs.at(-1)?.by ?? '', text: 'It is on' }] : []
  const opener = countingRuns(record).findLast((run) => run.isOpenNow || run.technique !== undefined)
  const opened = record.openedUpAt
    ? [{ at: record.openedUpAt, by: opener?.by ?? '', text: record.openedNowAt ? 'Opened at once' : 'Opened' }]
    : []
  return [...begun, ...on, ...opened]
}

const beginnings: Readonly<Record<RunKind, string>> = {
  application: 'put it on',
  opening: 'open it',
  adjustment: 'adjust it',
  care: 'do its care',
  'taking-off': 'take it off the wrong limb',
  again: 'put it on again',
}

/** What was gone past in some runs, or kept of the plan, although something spoke against it, and why. */
export function spiteOf(record: CaseRecord, runs: readonly RunRecord[]): readonly StoryLine[] {
  const steps = runs.flatMap((run) =>
    run.steps
      .filter((step) => step.despite?.length)
      .map(({ at, by, stepId, outcome, despite, reason }) => ({
        at,
        by,
        text: `${spoken(stepId)} ${outcome} in spite of ${(despite ?? []).map(spoken).join(', ')}: ${reason}`,
      })),
  )
  const kept = (record.kept ?? []).map(({ at, by, words, reason }) => ({
    at,
    by,
    text: `Kept in spite of a change (${words.slice(0, 2).join('; ')}): ${reason}`,
  }))
  return [...steps, ...kept]
}

/**
 * A line as it is read: with when it was well last, where it was lost.
 * @param when says an instant as the reader's clock has it
 */
export function storyWords({ text, wellAt }: StoryLine, when: (iso: string) => string): string {
  if (wellAt === undefined) return text
  return wellAt === null ? `${text}, at the first look` : `${text}; well last at ${when(wellAt)}`
}
