import type { StoryLine } from '#contract/api/hand-over'
import { onSinceAt, putOnBy } from '../case/situation-of-case'
import { spoken } from '#core/model/vocabulary'
import { nameOfId, nameOfPart } from '#core/standing/item-names'
import type { Finding, Level } from '#core/model/finding'
import { isCannotAssess, needsAnswer } from '#core/model/observation'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { RunRecord } from '#contract/records/run'
import { countingRuns, kindOfRun, type RunKind } from '#contract/records/run-kind'
import { standCaseRounds, type JudgedRound } from '../rounds/case-rounds'
import { correctionsOf } from '../rounds/correction-words'
import { casesServed } from '../rounds/related-cases'
import { sideLines } from '../case/side-lines'

/**
 * What happened since a moment, whether or not it still stands: what was lost when and was well last when, when it was better, and when
 * a look found it well again; what was opened or taken off; what was tried and could not be done; troubles; a plan or a stop that was kept in spite, and why;
 * the side.
 * @param sinceMs milliseconds since the epoch
 * @returns in the order of time
 */
export function shiftStory(record: CaseRecord, episode: EpisodeRecord, sinceMs: number, nowMs: number): readonly StoryLine[] {
  const lines = [
    ...lossesOf(standCaseRounds(record, episode, nowMs).judged),
    ...correctionsOf(record, episode).map(({ lookAt, correctedAt, by, text }) => ({ at: correctedAt, by, text, corrects: lookAt })),
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

/**
 * For each item that a round found urgent: when it was lost, when it was well last, when it was better and what it is since, when it was well
 * again. Well again is said of a look that found it well, and of no other: not of one that could not assess it, nor of less bad.
 */
function lossesOf(judged: readonly JudgedRound[]): readonly StoryLine[] {
  const ids = new Set(judged.flatMap(({ verdict }) => urgentIn(verdict)))
  return [...ids].flatMap((id) => {
    const looks = judged.filter((round) => isLookedAt(round, id))
    const part = nameOfPart(id.split('/')[0] ?? id)
    const textOf = ({ verdict }: JudgedRound): string => lower(findingOf(verdict, id)?.text ?? nameOfId(id))
    /** The look that lost it, until one finds it well. */
    let lost: JudgedRound | null = null
    return looks.flatMap((look, index): StoryLine[] => {
      const { round, verdict } = look
      const at = { at: round.at, by: round.by }
      const [level, before] = [levelIn(verdict, id), index === 0 ? 'none' : levelIn(looks[index - 1]!.verdict, id)]
      if (level === 'urgent') {
        if (before === 'urgent') return []
        lost = look
        const wellAt = looks.slice(0, index).findLast((one) => isWell(one.verdict, id))?.round.at ?? null
        return [{ ...at, text: `${part}: ${textOf(look)}`, wellAt }]
      }
      if (!lost) return []
      const worst: JudgedRound = lost
      if (level === 'none') {
        lost = null
        return [{ ...at, text: `Well again: ${nameOfId(id)}` }]
      }
      // Said once, when it is no longer urgent, and again when it is another thing than it was.
      if (before !== 'urgent' && textOf(look) === textOf(looks[index - 1]!)) return []
      const asBefore = level === 'known' ? ' (as before)' : ''
      return [{ ...at, text: `${part}: ${textOf(look)}${asBefore}`, was: { text: textOf(worst), at: worst.round.at } }]
    })
  })
}

function urgentIn({ findings }: JudgedRound['verdict']): readonly string[] {
  return findings.filter((finding) => finding.level === 'urgent').map((finding) => `${finding.part}/${finding.item}`)
}

/** What a look found of an item; undefined where it found it well, or did not look. */
function findingOf({ findings }: JudgedRound['verdict'], id: string): Finding | undefined {
  return findings.find((finding) => `${finding.part}/${finding.item}` === id)
}

/** Whether a look says anything of an item: it was not left out, and could be assessed. */
function isLookedAt({ verdict, round }: JudgedRound, id: string): boolean {
  // Who cannot be asked was not found well.
  if (round.findings.cannotAsk !== undefined && needsAnswer(id.slice(id.indexOf('/') + 1))) return false
  const isMissing = verdict.missing.some((missing) => id === missing || id.startsWith(`${missing}/`))
  return !isMissing && findingOf(verdict, id)?.code !== 'cannot-assess'
}

function levelIn(verdict: JudgedRound['verdict'], id: string): Level {
  return findingOf(verdict, id)?.level ?? 'none'
}

/** Whether a look found nothing of an item, or only what was there from the start. */
function isWell(verdict: JudgedRound['verdict'], id: string): boolean {
  return ['none', 'known'].includes(levelIn(verdict, id))
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
  const since = onSinceAt(record)
  const on = since === null ? [] : [{ at: since, by: putOnBy(record), text: 'It is on' }]
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
 * A line as it is read: with when it was well last, where it was lost; with what it was, where it is better.
 * @param when says an instant as the reader's clock has it
 */
export function storyWords({ text, wellAt, was, corrects }: StoryLine, when: (iso: string) => string): string {
  if (corrects) return `${when(corrects)} corrected: ${text}`
  if (was) return `${text}; was ${was.text} at ${when(was.at)}`
  if (wellAt === undefined) return text
  return wellAt === null ? `${text}, at the first look` : `${text}; well last at ${when(wellAt)}`
}
