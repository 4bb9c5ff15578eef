import type { PagerState } from '#contract/records/page'
import type { Change, Changes } from '../repositories/changes'
import type { SignInService } from '../people/sign-in'

const lookMs = 600
/** How often it is asked whose sessions go on, in looks. */
const sessionsEvery = 3
const beatEvery = 25
/** A look that takes longer is trouble. */
const slowMs = 2_000
/** A number is given before its commit: numbers of so long ago are read again, for those that came into sight late. */
export const lateMs = 30_000
/** At the first look, when nothing says how old a number is: so many of the newest are taken for seen. */
const mostBefore = 500
/** More changes at once than this, and reading everything anew is less work. */
export const mostHints = 500
/** So many changes of the last half minute are told apart. */
const mostKnown = 20_000

/** Who listens to what changes. */
export interface Listener {
  readonly sessionId: string
  /** @param text messages as they are sent, joined */
  readonly hear: (text: string) => void
  readonly end: (event: string) => void
}

export interface ChangeHubDeps {
  readonly changes: Pick<Changes, 'head' | 'after'>
  readonly signIn: Pick<SignInService, 'openOf'>
  /** Whether the pager answers; everybody hears at once when that changes. */
  readonly pager: () => PagerState | null
  /** A steady clock of this process, ms: no server's or database's time of day. */
  readonly steadyMs?: () => number
}

/** What was seen of the changes so far. */
interface Seen {
  readonly lineage: string
  /** Everything up to here is told, or too old to come late. */
  low: number
  readonly above: Set<number>
  /** The greatest number at each look, the oldest first. */
  readonly marks: { readonly atMs: number; readonly greatest: number }[]
}

/**
 * Looks for what changed, once for everybody who listens at this server, and tells each the same text. It looks while somebody listens, and
 * tells only what came since its first look: who needs more says since when.
 */
export function createChangeHub({ changes, signIn, pager, steadyMs = () => performance.now() }: ChangeHubDeps) {
  const listeners = new Set<Listener>()
  let timer: ReturnType<typeof setInterval> | undefined
  let isLooking = false
  let lookingSince = 0
  let isTroubled = false
  let looks = 0
  let seen: Seen | null = null
  let isPagerThere: boolean | undefined
  let firstLook: Promise<void> = Promise.resolve()

  async function look(): Promise<void> {
    if (isLooking) return sayIfSlow()
    isLooking = true
    lookingSince = steadyMs()
    try {
      if (looks++ % sessionsEvery === 0) await endWhatIsOver()
      const hints = await hintsNow()
      const at = cursor()
      const messages = [
        ...hints.map((hint) => message(at, hint.data, hint.event)),
        ...pagerMessages(at),
        ...(isTroubled || looks % beatEvery === 0 ? [message(at, '{}', 'beat')] : []),
      ]
      if (messages.length > 0) tell(messages.join(''))
      isTroubled = false
    } catch {
      sayTrouble()
    } finally {
      isLooking = false
    }
  }

  /** A look that takes too long: the database stands still, and whoever listens should know it. */
  function sayIfSlow(): void {
    if (steadyMs() - lookingSince > slowMs) sayTrouble()
  }

  /** Said once until it is over: what is told next says that it is. */
  function sayTrouble(): void {
    if (isTroubled) return
    isTroubled = true
    tell(message(cursor(), '{}', 'trouble'))
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
  async function hintsNow(): Promise<readonly Hint[]> {
    const head = await changes.head()
    if (seen === null || seen.lineage !== head.lineage || head.greatest < seen.low) {
      const wasOther = seen !== null
      seen = await firstSeen(head.lineage, head.greatest)
      // Another database, or an older one, stands where the one before stood.
      return wasOther ? [reread] : []
    }
    const known = seen
    const rows = await changes.after(known.low, mostKnown)
    const fresh = rows.filter(({ seq }) => !known.above.has(seq))
    for (const { seq } of rows) known.above.add(seq)
    moveOn(known, Math.max(known.low, rows.at(-1)?.seq ?? 0))
    return newestOf(fresh)
  }

  async function firstSeen(lineage: string, greatest: number): Promise<Seen> {
    const low = Math.max(0, greatest - mostBefore)
    const rows = await changes.after(low, mostKnown)
    return { lineage, low, above: new Set(rows.map((row) => row.seq)), marks: [{ atMs: steadyMs(), greatest }] }
  }

  /** Numbers that are too old to come late are not read again. */
  function moveOn(known: Seen, greatest: number): void {
    const now = steadyMs()
    known.marks.push({ atMs: now, greatest })
    let low = known.low
    while (known.marks[0] && now - known.marks[0].atMs > lateMs) low = Math.max(low, known.marks.shift()?.greatest ?? 0)
    if (low === known.low) return
    known.low = low
    for (const seq of known.above) if (seq <= low) known.above.delete(seq)
  }

  function pagerMessages(at: string): readonly string[] {
    const isThere = pager()?.isAnswering
    const isChanged = isThere !== isPagerThere
    isPagerThere = isThere
    return isChanged ? [message(at, '{}', 'pager')] : []
  }

  /** Up to where whoever hears it has heard everything. */
  function cursor(): string {
    return seen ? cursorOf(seen.lineage, seen.low) : ''
  }

  return {
    /** Once it has looked: what comes from then on is told. */
    ready: (): Promise<void> => firstLook,
    cursor,
    /** Looks now, as it does by itself while somebody listens. */
    look,
    /** How many listen in one session. */
    listening: (sessionId: string): number => [...listeners].filter((listener) => listener.sessionId === sessionId).length,
    /** Begins to tell somebody; returns how to stop. */
    listen(listener: Listener): () => void {
      listeners.add(listener)
      if (timer === undefined) {
        seen = null
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

/** What a message says. */
export interface Hint {
  readonly data: string
  readonly event?: string
}

const reread: Hint = { data: '{}', event: 'reread' }

/** That streams changed, each once at its newest; that everything is read anew where they are many. */
export function newestOf(changes: readonly Change[]): readonly Hint[] {
  const newest = new Map<string, Change>()
  for (const one of changes) if (one.version >= (newest.get(one.id)?.version ?? 0)) newest.set(one.id, one)
  if (newest.size > mostHints) return [reread]
  return [...newest.values()].map(({ type, id, version }) => ({ data: JSON.stringify({ stream: { type, id }, version }) }))
}

/** Where a listener stands: of which database, and up to which number it has heard everything. */
export function cursorOf(lineage: string, low: number): string {
  return `${lineage}/${low}`
}

/** One message, with where the listener stands once it has heard it. */
export function message(cursor: string, data: string, event?: string): string {
  return `${cursor ? `id: ${cursor}\n` : ''}${event ? `event: ${event}\n` : ''}data: ${data}\n\n`
}
