import type { PagerState } from '#contract/records/page'
import type { Clock } from '../ground/clock'
import type { EventRepository } from '../repositories/events'
import type { SignInService } from './sign-in'

const lookMs = 600
/** How often it is asked whose sessions go on, in looks. */
const sessionsEvery = 3
const beatEvery = 25
/** Each look reaches so far back, since the order of commits is not the order of receipt. */
export const overlapMs = 30_000
/** More changes at once than this, and reading everything anew is less work. */
export const mostHints = 500
/** So many changes of the last half minute are told apart. */
const mostKnown = 20_000

/** A stream that was written to. */
export interface Change {
  readonly type: string
  readonly id: string
  readonly version: number
}

/** Who listens to what changes. */
export interface Listener {
  readonly sessionId: string
  /** @param text messages as they are sent, joined */
  readonly hear: (text: string) => void
  readonly end: (event: string) => void
}

export interface ChangeHubDeps {
  readonly events: Pick<EventRepository, 'changedSince'>
  readonly signIn: Pick<SignInService, 'openOf'>
  readonly clock: Clock
  /** Whether the pager answers; everybody hears at once when that changes. */
  readonly pager: () => PagerState | null
}

/**
 * Looks for what changed, once for everybody who listens at this server, and tells each the same text. It looks while somebody listens, and
 * tells only what came since its first look: who needs more says since when.
 */
export function createChangeHub({ events, signIn, clock, pager }: ChangeHubDeps) {
  const listeners = new Set<Listener>()
  let timer: ReturnType<typeof setInterval> | undefined
  let isLooking = false
  let looks = 0
  let known: ReadonlyMap<string, number> | null = null
  let isPagerThere: boolean | undefined
  let firstLook: Promise<void> = Promise.resolve()

  async function look(): Promise<void> {
    if (isLooking) return
    isLooking = true
    try {
      if (looks++ % sessionsEvery === 0) await endWhatIsOver()
      const now = clock()
      const messages = [...(await hintsOf(now)), ...pagerMessages(now), ...(looks % beatEvery === 0 ? [message(now, '{}', 'beat')] : [])]
      if (messages.length > 0) tell(messages.join(''))
    } catch {
      tell(': database away\n\n')
    } finally {
      isLooking = false
    }
  }

  function tell(text: string): void {
    for (const listener of [...listeners]) listener.hear(text)
  }

  async function endWhatIsOver(): Promise<void> {
    const there = [...listeners]
    const open = await signIn.openOf([...new Set(there.map((one) => one.sessionId))])
    for (const listener of there) if (!open.has(listener.sessionId)) listener.end('over')
  }

  /** What changed that nobody was told of. */
  async function hintsOf(now: number): Promise<readonly string[]> {
    const changes = await events.changedSince(new Date(now - overlapMs), mostKnown)
    const before = known
    known = new Map(changes.map(({ id, version }) => [id, version]))
    if (!before) return []
    const fresh = changes.filter(({ id, version }) => (before.get(id) ?? 0) < version)
    return fresh.length > mostHints ? [message(now, '{}', 'reread')] : fresh.map((one) => hint(now, one))
  }

  function pagerMessages(now: number): readonly string[] {
    const isThere = pager()?.isAnswering
    const isChanged = isThere !== isPagerThere
    isPagerThere = isThere
    return isChanged ? [message(now, '{}', 'pager')] : []
  }

  return {
    /** Once it has looked: what comes from then on is told. */
    ready: (): Promise<void> => firstLook,
    /** Begins to tell somebody; returns how to stop. */
    listen(listener: Listener): () => void {
      listeners.add(listener)
      if (timer === undefined) {
        known = null
        isPagerThere = pager()?.isAnswering
        timer = setInterval(() => void look(), lookMs)
        firstLook = look()
      }
      return () => {
        listeners.delete(listener)
        if (listeners.size > 0) return
        clearInterval(timer)
        timer = undefined
      }
    },
  }
}

export type ChangeHub = ReturnType<typeof createChangeHub>

/** That a stream changed. */
export function hint(now: number, { type, id, version }: Change): string {
  return message(now, JSON.stringify({ stream: { type, id }, version }))
}

/** One message: the time up to which it tells is its id. */
export function message(now: number, data: string, event?: string): string {
  return `id: ${now}\n${event ? `event: ${event}\n` : ''}data: ${data}\n\n`
}
