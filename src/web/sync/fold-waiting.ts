import type { CaseAnswer } from '#contract/api/answers'
import { type CaseRecord } from '#contract/records/case'
import { foldCase, foldEpisode } from '#contract/events/fold'
import { findEventKind } from '#contract/events/index'
import { type EpisodeRecord } from '#contract/records/episode'
import { ofCase } from '#contract/events/of-case'
import { newestVersion } from '#contract/events/upcast'
import type { EventInput } from '#contract/event'

/** An event that the server has taken, with the version that it gave its stream. */
export interface TakenEvent {
  readonly event: EventInput
  readonly version: number
}

/** What is known of one case here: the server's answer, what it took since, what still waits. */
export interface KnownHere {
  readonly base: CaseAnswer | null
  readonly caseId: string | null
  readonly episodeId: string | null
  readonly taken: readonly TakenEvent[]
  readonly pending: readonly EventInput[]
}

/** Whether an answer of the server contains a taken event. */
export function isWithin({ event, version }: TakenEvent, answer: CaseAnswer): boolean {
  return version <= (event.stream.id === answer.record.id ? answer.version : answer.episodeVersion)
}

function isOpening({ kind }: EventInput): boolean {
  return findEventKind(kind)?.nature === 'opening'
}

/** Two answers about one case as one: of each of its two records the newer. */
export function mergeAnswers(a: CaseAnswer, b: CaseAnswer): CaseAnswer {
  const [caseFrom, episodeFrom] = [b.version >= a.version ? b : a, b.episodeVersion >= a.episodeVersion ? b : a]
  return {
    record: caseFrom.record,
    version: caseFrom.version,
    episode: episodeFrom.episode,
    episodeVersion: episodeFrom.episodeVersion,
    contains: caseFrom === episodeFrom ? caseFrom.contains : [...new Set([...a.contains, ...b.contains])],
    callees: b.callees,
    hasPager: b.hasPager,
    now: b.now,
  }
}

type Writer = { readonly actor: string; readonly actorName: string }

/** A case and its stay, both there. */
export interface Folded {
  readonly record: CaseRecord
  readonly episode: EpisodeRecord
}

/** What stands after one event; `open` is null while the case or its stay is still missing. */
interface Step {
  readonly id: string | null
  readonly record: CaseRecord | null
  readonly episode: EpisodeRecord | null
  readonly open: Folded | null
  /** How many events of the case the server writes by itself along with those of its stay, so far. */
  readonly said: number
}

function step(id: string | null, record: CaseRecord | null, episode: EpisodeRecord | null, said = 0): Step {
  return { id, record, episode, open: record && episode ? { record, episode } : null, said }
}

/** What is folded in after the server's answer, in order and each once: an event whose answer was lost may be in the answer already. */
function eventsAfter({ base, taken, pending }: KnownHere): readonly EventInput[] {
  const contained = new Set(base?.contains ?? [])
  const newer = taken.filter((one) => !base || !isWithin(one, base)).sort((a, b) => a.version - b.version)
  const seen = new Set<string>()
  return [...newer.map((one) => one.event), ...pending].filter((event) => {
    if (contained.has(event.id) || seen.has(event.id)) return false
    seen.add(event.id)
    return true
  })
}

/**
 * Folds what waits into what the server said, and remembers how far it came: every event is folded once, however many screens ask, and not
 * again when its answer makes it part of what the server said.
 */
export function createFolder() {
  let from = step(null, null, null)
  let by: Writer = { actor: '', actorName: '' }
  /** Of which case and stay the steps are. */
  let about = ''
  let steps: Step[] = []

  function startFrom({ base, caseId, episodeId }: KnownHere, writer: Writer): void {
    const now = `${caseId}/${episodeId}`
    if (now !== about) steps = []
    about = now
    const [record, episode] = [base?.record ?? null, base?.episode ?? null]
    const isSameWriter = by.actor === writer.actor && by.actorName === writer.actorName
    if (isSameWriter && from.record === record && from.episode === episode) return
    const reached = isSameWriter ? steps.findIndex((one) => one.record === record && one.episode === episode) : -1
    // What the server has taken changes nothing of what stands here: the same object, so that no screen is drawn anew.
    from = { ...step(null, record, episode, steps[reached]?.said), ...(steps[reached] ? { open: steps[reached].open } : {}) }
    steps = reached < 0 ? [] : steps.slice(reached + 1)
    by = writer
  }

  function next({ record, episode, said }: Step, event: EventInput, { caseId, episodeId }: KnownHere): Step {
    const foldable = { ...event, ...by }
    if (event.stream.id === caseId && (record || isOpening(event)))
      return step(event.id, foldCase(record, event.stream.id, foldable), episode, said)
    if (event.stream.id === episodeId && (episode || isOpening(event))) {
      const ofThis = record && episode && ofCase(foldable, episode, record)
      const after = ofThis ? foldCase(record, record.id, { ...foldable, ...ofThis, v: newestVersion(ofThis.kind) }) : record
      return step(event.id, after, foldEpisode(episode, event.stream.id, foldable), ofThis ? said + 1 : said)
    }
    return step(event.id, record, episode, said)
  }

  return {
    /** The case as it stands here: the same object as long as nothing changes; null while it is not whole. */
    fold(known: KnownHere, writer: Writer): Folded | null {
      startFrom(known, writer)
      const events = eventsAfter(known)
      const same = events.findIndex((event, index) => steps[index]?.id !== event.id)
      steps = steps.slice(0, same < 0 ? events.length : same)
      for (const event of events.slice(steps.length)) steps.push(next(steps.at(-1) ?? from, event, known))
      return (steps.at(-1) ?? from).open
    },

    /** How many events of the case the server writes by itself along with what was folded in last. */
    saidOfCase: (): number => (steps.at(-1) ?? from).said - from.said,

    /** What stood after the first event since the server's answer, when that is the one asked for. */
    afterFirst: (eventId: string): Folded | null => (steps[0]?.id === eventId ? steps[0].open : null),
  }
}
