import type { EventAnswer } from '#contract/api/answers'
import type { StoredEvent } from '#contract/event'
import { findEventKind } from '#contract/events/index'
import type { TellSecurity } from '../ground/tell-security'
import type { Metrics } from './metrics'
import type { PlanNoter } from './note-plan'

/** Says that an event was kept. What the core thinks of it follows, and whoever listens is told. */
export function createAcknowledge(deps: {
  readonly metrics: Pick<Metrics, 'countEvent'> | null
  readonly noter: PlanNoter
  readonly tell: TellSecurity
}) {
  return function acknowledge(event: StoredEvent): EventAnswer {
    deps.metrics?.countEvent(event.kind)
    const kind = findEventKind(event.kind)
    if (kind?.isWatched) deps.tell(kind.isWatched, event.actor)
    if (kind?.bearsOnPlan || kind?.ofCase) {
      if (event.stream.type === 'episode') deps.noter.noteStay(event.stream.id)
      if (event.stream.type === 'case') deps.noter.noteCase(event.stream.id)
    }
    return { id: event.id, version: event.version, receivedAt: event.receivedAt, ...(event.mark ? { mark: event.mark } : {}) }
  }
}

export type Acknowledge = ReturnType<typeof createAcknowledge>
