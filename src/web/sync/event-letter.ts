import type { EventAnswer } from '#contract/api/answers'
import type { ProblemDetails } from '#contract/api/problem-details'
import { paths } from '#contract/api/paths'
import type { EventInput } from '#contract/event'
import { findEventKind } from '#contract/events/index'
import { callApi } from './api'
import type { Letter } from './sender'

/** What becomes of an event in the end, or what a person has to decide about. */
export interface EventOutcomes {
  taken(event: EventInput, answer: EventAnswer): void
  refused(event: EventInput, problem: ProblemDetails): void
  parked(event: EventInput): void
}

interface EventLetter extends Letter {
  readonly event: EventInput
}

/**
 * An event as a letter. It waits for earlier events of its stream, and of the streams that it names, so that a case never overtakes its stay.
 * Where the server keeps failing at an earlier one of its stream, an additive one passes: it does not build on it. What replaces something in
 * a case, or answers a change of its stay, waits for a change of its stay that may write there too.
 */
export function eventLetter(
  event: EventInput,
  outcomes: EventOutcomes,
  send: (event: EventInput) => ReturnType<Letter['send']> = (sent) => callApi('POST', paths.events, sent),
): EventLetter {
  const kind = findEventKind(event.kind)
  const nature = kind?.nature
  const named = (kind?.names?.(event.body as object) ?? []).filter((id): id is string => id !== undefined && id !== event.stream.id)
  const waitsForStay = event.stream.type === 'case' && (nature === 'replacing' || kind?.answersStay === true)
  return {
    event,
    id: event.id,
    lane: event.stream.id,
    send: (isQueued) => send(isQueued ? { ...event, queued: true } : event),
    taken: (answer) => outcomes.taken(event, answer as EventAnswer),
    refused: (problem) => outcomes.refused(event, problem),
    parked: () => outcomes.parked(event),
    mustWait(earlier, isStuck) {
      if (!isEvent(earlier)) return false
      if (earlier.lane === event.stream.id)
        return !(nature === 'additive' && isStuck && findEventKind(earlier.event.kind)?.nature !== 'opening')
      return named.includes(earlier.lane) || (waitsForStay && !isStuck && mayBeOfCase(earlier.event))
    },
    mayBring: (other) => isEvent(other) && (other.lane === event.stream.id || named.includes(other.lane)),
  }
}

function isEvent(letter: Letter): letter is EventLetter {
  return 'event' in letter
}

function mayBeOfCase({ kind, body }: EventInput): boolean {
  return findEventKind(kind)?.mayBeOfCase?.(body as object) ?? false
}
