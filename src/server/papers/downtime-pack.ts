import type { Caution, Plan } from '#core/model/plan'
import type { SheetId } from '#contract/api/papers'
import type { CaseRecord } from '#contract/records/case'
import { patientLabel, type EpisodeRecord } from '#contract/records/episode'
import { handOverOf } from '#ward/story/hand-over'
import { releaseLines, releaseWhen } from './bedside-papers'
import { printFlow, type FlowBlock } from './flow-paper'
import { handOverBlocks, type HandOverFacts } from './hand-over-paper'
import { roundChartBlocks } from './round-chart-paper'

/** One patient of a pack. */
export interface PackedCase {
  readonly record: CaseRecord
  readonly episode: EpisodeRecord
  readonly plan: Plan | null
  /** What the plan as it was last made warns of; null where none was made. */
  readonly live: readonly Caution[] | null
}

/** What is printed of a pack beside its patients. */
export interface DowntimeFacts extends HandOverFacts {
  /** Patients of these places whom whoever prints is outside of. */
  readonly leftOut?: number
}

/** What a shift works by when there is no screen: the list, then for each patient a chart to go on with and how it comes off at once. */
export function printDowntimePack(cases: readonly PackedCase[], facts: DowntimeFacts, sheet: SheetId): Promise<Buffer> {
  const title = `Downtime pack, ${facts.places}`
  return printFlow(downtimeBlocks(cases, facts, title), { ...facts, title }, sheet)
}

/** The pack as it flows down its pages. */
export function downtimeBlocks(
  cases: readonly PackedCase[],
  { zone, printedAt, leftOut = 0 }: DowntimeFacts,
  title: string,
): readonly FlowBlock[] {
  const nowMs = Date.parse(printedAt)
  return [
    { kind: 'title', text: title },
    {
      kind: 'line',
      text: 'As it was when this was printed. What is written here is entered when the screens are back, with its true time.',
    },
    ...(leftOut > 0 ? [{ kind: 'line', text: leftOutWords(leftOut) } as const] : []),
    ...handOverBlocks(
      cases.map(({ record, episode, live }) => handOverOf(record, episode, nowMs, live)),
      zone,
    ),
    ...cases.flatMap(({ record, episode, plan }): readonly FlowBlock[] => [
      { kind: 'page' },
      { kind: 'title', text: `${episode.place}   ${patientLabel(episode)}` },
      ...roundChartBlocks(record, episode),
      {
        kind: 'together',
        blocks: [
          { kind: 'heading', text: 'Release now' },
          { kind: 'line', text: releaseWhen },
          { kind: 'list', lines: releaseLines(record, episode, nowMs) },
          { kind: 'line', text: 'Call now:  ____________________   Night:  ____________________' },
        ],
      },
      ...(plan && plan.care.length > 0 ? [{ kind: 'heading', text: 'Care' } as const, { kind: 'list', lines: plan.care } as const] : []),
    ]),
  ]
}

function leftOutWords(count: number): string {
  return `${count === 1 ? 'One more device is' : `${count} more devices are`} on patients whom whoever printed this is outside of: somebody of their ward prints those.`
}
