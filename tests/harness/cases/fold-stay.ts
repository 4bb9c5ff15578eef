import type { FoldableEvent } from '#contract/event'
import { foldCase, foldEpisode } from '#contract/events/fold'
import type { CaseRecord } from '#contract/records/case'
import { unknownInjury, unknownPatient, type EpisodeRecord, type InjuryRecord } from '#contract/records/episode'

/** A stay with one case, folded from events that a test times in minutes after its start. */
export interface FoldedStay {
  readonly startMs: number
  readonly stay: EpisodeRecord
  readonly record: CaseRecord
  event(kind: string, body: object, atMin: number): FoldableEvent
  /** The stay after more events. */
  stayAfter(...events: readonly FoldableEvent[]): EpisodeRecord
  /** The case after more events. */
  caseAfter(...events: readonly FoldableEvent[]): CaseRecord
  ms(atMin: number): number
}

/**
 * A patient with a device on from the start, unless it says otherwise.
 * @param injury of a left ankle unless it says otherwise
 */
export function foldStay({
  startAt = '2026-03-27T10:00:00Z',
  place = 'Bay 1',
  zone = 'Etc/UTC',
  technique = 'leg-slab',
  injury = {},
  isOn = true,
}: {
  readonly startAt?: string
  readonly place?: string
  readonly zone?: string
  readonly technique?: string
  readonly injury?: Partial<InjuryRecord>
  /** False: nothing is on yet. */
  readonly isOn?: boolean
} = {}): FoldedStay {
  const startMs = Date.parse(startAt)
  const ms = (atMin: number): number => startMs + 60_000 * atMin
  let count = 0
  const event = (kind: string, body: object, atMin: number): FoldableEvent => ({
    id: `${kind}-${count++}`,
    kind,
    v: 9,
    body,
    at: new Date(ms(atMin)).toISOString(),
    actor: 'p1',
    actorName: 'Ada',
  })
  const patient = { ...unknownPatient, name: 'Hale Brannock', isTemporary: false }
  const whole: InjuryRecord = { ...unknownInjury, region: 'ankle', side: 'left', pattern: 'malleolar-fracture', ...injury }
  const opened = foldEpisode(null, 'e1', event('episode-opened', { patientId: 'p', place, zone, patient }, 0))
  const stay = foldEpisode(opened, 'e1', event('injury', { injuryId: 'i1', injury: whole }, 0))
  const begun = foldCase(null, 'c1', event('case-opened', { episodeId: 'e1', injuryId: 'i1', technique }, 0))
  const record = isOn ? foldCase(begun, 'c1', event('applied', {}, 0)) : begun
  return {
    startMs,
    stay,
    record,
    event,
    ms,
    stayAfter: (...events) => events.reduce((before, one) => foldEpisode(before, 'e1', one), stay),
    caseAfter: (...events) => events.reduce((before, one) => foldCase(before, 'c1', one), record),
  }
}
