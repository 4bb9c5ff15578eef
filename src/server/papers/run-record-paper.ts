import { DateTime } from 'luxon'
import type { SheetId } from '#contract/api/papers'
import type { RunSummary, SummaryLine, SummarySection } from '#ward/story/run-summary'
import { printFlow, type FlowBlock } from './flow-paper'

const size = { title: 15, heading: 9.5, text: 9 }

/** The run record on one page: the largest type with which everything fits in two columns. */
export function printRunRecord(summary: RunSummary, zone: string, printedAt: string, sheet: SheetId): Promise<Buffer> {
  const blocks: readonly FlowBlock[] = [
    { kind: 'title', text: summary.title },
    ...summary.facts.map(([name, value]): FlowBlock => ({ kind: 'line', text: `${name}: ${value}` })),
    ...summary.sections.flatMap((section) => sectionBlocks(section, zone, 'HH:mm:ss')),
  ]
  return printFlow(blocks, { title: summary.title, zone, printedAt }, sheet, { size, columns: 2, isOnePage: true })
}

/**
 * One section of a run as it flows down a paper; nothing where it is empty.
 * @param clock how its times are written, as Luxon names it
 */
export function sectionBlocks({ title, lines }: SummarySection, zone: string, clock: string): readonly FlowBlock[] {
  if (lines.length === 0) return []
  return [{ kind: 'heading', text: title }, ...lines.map((line): FlowBlock => ({ kind: 'line', text: lineText(line, zone, clock) }))]
}

function lineText({ at, text, by }: SummaryLine, zone: string, clock: string): string {
  return `${at ? `${DateTime.fromISO(at, { zone }).toFormat(clock)}  ` : ''}${text}${by ? `  (${by})` : ''}`
}
