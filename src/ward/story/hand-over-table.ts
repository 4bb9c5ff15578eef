import { spoken } from '#core/model/vocabulary'
import { builtWords, pullWords } from '../body/as-built'
import type { HandOverLine } from '#contract/api/hand-over'
import { storyWords } from './shift-story'

/** Columns of the hand-over as a table: who, then one thing that is told a row. */
export const handOverColumns = ['place', 'patient', 'identifiers', 'device', 'part', 'told', 'level', 'at', 'text', 'by'] as const

type Told = readonly [told: string, level: string, at: string, text: string, by: string]

/** The hand-over as rows: what screen and paper tell, in their order, nothing left out. Times are ISO 8601 UTC. */
export function handOverTable(lines: readonly HandOverLine[]): readonly (readonly string[])[] {
  return lines.flatMap((line) => {
    const part = [line.side?.toUpperCase(), line.region ? spoken(line.region) : ''].filter(Boolean).join(' ')
    return toldOf(line).map((told) => [line.place, line.patient, line.identifiers, line.technique, part, ...told])
  })
}

function toldOf(line: HandOverLine): readonly Told[] {
  const { built, worry, takenOver } = line
  return [
    ['device', '', built.onSince ?? '', builtWords(built, (iso) => iso), built.putOnBy],
    ...built.pulls.map((pull): Told => ['pull', '', pull.at, pullWords(pull), pull.by]),
    ...line.words.map((word): Told => ['senior', '', new Date(word.atMs).toISOString(), word.text, word.by]),
    ...line.careful.map((text): Told => ['careful', '', '', text, '']),
    ...line.stands.map(({ level, text, sinceAt }): Told => ['stands', level, sinceAt, text, '']),
    ...(line.unassessed > 0 ? [['cannot be assessed', 'unknown', '', `${line.unassessed}`, ''] as const] : []),
    ...line.known.map((text): Told => ['was there before', 'known', '', text, '']),
    ...line.happened.map((one): Told => ['happened', '', one.at, storyWords(one, (iso) => iso), one.by]),
    ...line.done.map(({ at, text, by }): Told => ['done', '', at, text, by]),
    ...line.owed.map(({ dueAt, text, isOverdue }): Told => ['owed', isOverdue ? 'late' : '', dueAt, text, '']),
    ...(worry ? [['worry', '', worry.at, worry.text, worry.by] as const] : []),
    ...(takenOver ? [['taken over', '', takenOver.at, '', takenOver.by] as const] : []),
  ]
}
