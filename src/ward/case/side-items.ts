import type { OtherItem } from '#core/standing/judge-standing'
import { isColumnRegion } from '#core/model/vocabulary'
import { findTechnique } from '#core/techniques/registry'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import { doubtedSide, sideAnswerOf, sideStateOf, type SideState } from './side-state'

const words: Readonly<Record<Exclude<SideState, 'settled'>, { readonly text: string; readonly ends: string }>> = {
  where: { text: 'Look now which limb it is on', ends: 'The answer, under Apply.' },
  off: { text: 'It is on the wrong limb', ends: 'Taken off there, the skin and the pulse looked at.' },
  change: { text: 'The record names the wrong limb: a clinician changes the side', ends: 'The side, changed by a clinician.' },
  read: { text: 'Side or region was changed', ends: 'Identity and side read aloud afresh.' },
}

/** What a changed or doubted side leaves standing: one line, whatever raised it, until identity and side are read aloud afresh. */
export function sideItems(record: CaseRecord, episode: EpisodeRecord): readonly OtherItem[] {
  const state = sideStateOf(record, episode)
  if (state === 'settled') return []
  const change = record.sideChange && !record.sideChange.checked ? record.sideChange : null
  const since = [change?.at, doubtedSide(record)?.at, state === 'off' ? sideAnswerOf(record)?.at : undefined].flatMap((at) => at ?? [])
  const { ends } = words[state]
  const region = episode.injuries[record.injuryId]?.region ?? null
  // Neck and trunk have no side.
  const isColumn = region !== null && isColumnRegion(region)
  const text = isColumn && state === 'where' ? 'Look now whether it is on the right patient and part' : words[state].text
  const from = change ? `: ${change.from} → ${change.to}. ${change.reason}` : ''
  return [
    {
      id: 'run/side-changed',
      from: 'run',
      part: null,
      level: state === 'where' || state === 'off' ? 'urgent' : 'stop',
      text: state === 'read' && !change ? 'The side was doubted: name and side are read aloud again' : `${text}${from}`,
      sinceMs: Math.min(...since.map((at) => Date.parse(at))),
      binds: { stages: ['make-ready', 'apply'], steps: [] },
      ends,
      isEndedByWord: false,
      ...(state === 'where' || state === 'off' ? { danger: 'own', ownSteps: stepsOf(state, record, isColumn) } : {}),
    },
  ]
}

/** What is done first, by the state. */
function stepsOf(state: 'where' | 'off', record: CaseRecord, isColumn: boolean): readonly string[] {
  if (state === 'off') return ['Take it off there now, step by step, under Apply.', ...(findTechnique(record.technique)?.comesOff ?? [])]
  return [
    'Stop. Leave the limb safe; take nothing off yet that holds a break or a neck.',
    isColumn
      ? 'Read name and second identifier aloud; look at the film and the order. Say under Apply whether it is where it belongs.'
      : 'Look which limb it is on, and say it under Apply. Read name, second identifier and side aloud; look at the film and the order.',
  ]
}
