import { builtWords, pullWords } from '#ward/body/as-built'
import { DateTime } from 'luxon'
import { spoken } from '#core/model/vocabulary'
import type { SheetId } from '#contract/api/papers'
import { aheadHours } from '#ward/story/hand-over'
import type { HandOverLine } from '#contract/api/hand-over'
import { storyWords } from '#ward/story/shift-story'
import { printFlow, type FlowBlock, type FlowFacts } from './flow-paper'

/** What is printed at the head of the hand-over. */
export interface HandOverFacts extends Omit<FlowFacts, 'title'> {
  /** The places that it is for, in words. */
  readonly places: string
}

/** The hand-over on paper: a block for each patient, never split over two pages where it fits on one. */
export function printHandOver(lines: readonly HandOverLine[], facts: HandOverFacts, sheet: SheetId): Promise<Buffer> {
  const title = `Hand-over, ${facts.places}`
  return printFlow([{ kind: 'title', text: title }, ...handOverBlocks(lines, facts.zone)], { ...facts, title }, sheet)
}

/** The list of a hand-over, for a paper of its own or in a pack. */
export function handOverBlocks(lines: readonly HandOverLine[], zone: string): readonly FlowBlock[] {
  const count = `${lines.length} ${lines.length === 1 ? 'patient' : 'patients'}, the worst first.`
  return [{ kind: 'line', text: count }, ...lines.map((line): FlowBlock => ({ kind: 'together', blocks: blocksOf(line, zone) }))]
}

/** The latest of a bad night; the whole is in the record. */
const mostHappened = 14

function blocksOf(line: HandOverLine, zone: string): readonly FlowBlock[] {
  const at = (iso: string): string => DateTime.fromISO(iso, { zone }).toFormat('ccc HH:mm')
  const part = [line.side?.toUpperCase(), line.region ? spoken(line.region) : ''].filter(Boolean).join(' ')
  const on = [builtWords(line.built, at), ...line.built.pulls.map(pullWords)].join('; ')
  const small = (text: string): FlowBlock => ({ kind: 'line', text })
  const strong = (text: string): FlowBlock => ({ kind: 'strong', text })
  return [
    { kind: 'rule' },
    { kind: 'heading', text: `${line.place}   ${line.patient}, ${line.identifiers}` },
    small(`${line.technique}, ${part || 'side not set'}, ${on}`),
    ...(line.careful.length > 0 ? [strong(`Careful: ${line.careful.join(', ').toLowerCase()}`)] : []),
    ...line.words.map((word) => strong(`${word.by}, ${at(new Date(word.atMs).toISOString())}: ${word.text}`)),
    strong(line.stands.length > 0 ? 'Stands' : line.headline),
    ...line.stands.map((stand) => small(`   ${stand.level}: ${stand.text} (since ${at(stand.sinceAt)})`)),
    ...(line.drawing
      ? [
          {
            kind: 'figure',
            ...line.drawing,
            alt: `Where it was found: ${line.drawing.findings.map((finding) => finding.label).join('; ')}.`,
          } as const,
        ]
      : []),
    ...(line.unassessed > 0 ? [small(`   Cannot be assessed: ${line.unassessed} ${line.unassessed === 1 ? 'item' : 'items'}`)] : []),
    ...(line.known.length > 0 ? [small(`   Was there before: ${line.known.join('; ')}`)] : []),
    ...(line.happened.length > 0 ? [strong('What happened')] : []),
    ...line.happened.slice(-mostHappened).map((one) => small(`   ${at(one.at)}  ${storyWords(one, at)}${one.by ? ` (${one.by})` : ''}`)),
    ...(line.done.length > 0 ? [strong('Done')] : []),
    ...line.done.slice(0, 6).map((act) => small(`   ${at(act.at)}  ${act.text} (${act.by})`)),
    strong(line.owed.length > 0 ? `Owed in the next ${aheadHours} h` : `Nothing owed in the next ${aheadHours} h`),
    ...line.owed.map((one) => small(`   ${at(one.dueAt)}${one.isOverdue ? ' LATE' : ''}  ${one.text}`)),
    ...(line.worry ? [strong(`Worry: ${line.worry.text} (${line.worry.by}, ${at(line.worry.at)})`)] : []),
    small(
      line.takenOver ? `Taken over: ${line.takenOver.by}, ${at(line.takenOver.at)}` : 'Taken over:  ____________________   at  ________',
    ),
  ]
}
