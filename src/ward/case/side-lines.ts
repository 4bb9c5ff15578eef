import type { CaseRecord } from '#contract/records/case'
import type { Recorded } from '#contract/records/run'
import { verdictOf } from '#contract/records/side'
import { movesUnderWords, pulseUnderWords, skinUnderWords } from '#contract/records/underneath'

/** What happened about the side of a case, or where something came off. */
export interface SideLine extends Recorded {
  readonly text: string
}

const found = {
  right: 'on the right one',
  wrong: 'on the wrong one: the run ended as wrong side',
  nowhere: 'not on yet: the run ended as wrong side',
}

/** How a side was changed, looked at and put right, in the order of time: record, summary, hand-over and incident say the same. */
export function sideLines(record: CaseRecord): readonly SideLine[] {
  const { sideChange: change } = record
  const lines: readonly SideLine[] = [
    ...(change ? [{ at: change.at, by: change.by, text: `Side changed: ${change.from} → ${change.to}. ${change.reason}` }] : []),
    ...(change?.checked ? [{ ...change.checked, text: 'Identity and side read aloud afresh' }] : []),
    ...(record.sideAnswers ?? []).map((sideAnswer) => ({
      at: sideAnswer.at,
      by: sideAnswer.by,
      text: `Looked which limb it is on (${sideAnswer.on}${sideAnswer.hurt ? `; the injured one is the ${sideAnswer.hurt}` : ''}): ${sideAnswer.undone ? 'a slip, taken back' : found[verdictOf(sideAnswer)]}`,
    })),
    ...(record.takenOff ?? []).map(({ at, by }) => ({ at, by, text: 'Taken off the wrong limb' })),
  ]
  return [...lines, ...underLines(record)].sort((a, b) => Date.parse(a.at) - Date.parse(b.at))
}

function underLines({ runs }: CaseRecord): readonly SideLine[] {
  return runs.flatMap((run) =>
    (run.underneath ?? []).map(({ at, by, skin, pulse, moves }) => ({
      at,
      by,
      text: `Where it came off: skin ${skinUnderWords[skin]}${pulse ? `, pulse ${pulseUnderWords[pulse]}` : ''}, movement and feeling ${movesUnderWords[moves]}`,
    })),
  )
}
