import type { FoldableEvent, StreamType } from '../event'
import type { CaseRecord } from '../records/case'
import type { EpisodeRecord } from '../records/episode'
import type { WardRecord } from '../records/ward'
import type { Right } from '../rights'

/** What the events of a stream fold into; places and people are kept as tables of their own. */
interface Records {
  readonly episode: EpisodeRecord
  readonly case: CaseRecord
  readonly place: never
  readonly person: never
  readonly ward: WardRecord
}

/** An event whose body is that of its kind. */
export type EventOf<Body> = Omit<FoldableEvent, 'body'> & { readonly body: Body }

/** How the body of an event of version N becomes that of N + 1. */
export type Upcaster = (body: unknown) => unknown

/** What an event of a stay says of one of its cases: an event there. */
export interface SaidOfCase {
  readonly kind: 'side-changed' | 'after-change'
  readonly body: object
}

/** Everything about one kind of event but its schema, which lies beside it so that the Board need not load a validator. */
export interface EventKind<Body extends object = object, Stream extends StreamType = StreamType> {
  readonly stream: Stream
  /** Additive events never conflict; replacing ones name the version they were based on. */
  readonly nature: 'opening' | 'additive' | 'replacing'
  /** Who may write it: a right, the person whose stream it is, or the server alone. */
  readonly right: Right | 'self' | 'server'
  /** What the core thinks of the case may change with it, and is said in the answer. */
  readonly bearsOnPlan?: true
  /** The server adds to its body what it copies from elsewhere: only its own answer tells what came of it. */
  readonly isCompletedByServer?: true
  /** Its body as it was sent, without what the server copied into it; left out: the body as it is. */
  readonly asSent?: (body: Body) => object
  /** It may still be written once the device is off. */
  readonly mayFollowRemoval?: true
  /** It may still be written once the case has ended here. */
  readonly mayFollowEnd?: true
  /** Only a clinician writes it once a plan is accepted. */
  readonly isClinicians?: true
  /** Its body may be long, such as a plan; nothing else that is entered at a bedside is. */
  readonly isLong?: true
  /** One that waits on a device says that somebody should look soon. */
  readonly isUrgent?: true
  /** It says nothing of the patient: nobody countersigns it. */
  readonly isOfNoPatient?: true
  /** Who watches over security hears of it, as this. */
  readonly isWatched?: 'looked-in'
  /** Streams that a body names beside its own: what has to be known before it can be taken. Left out: none. */
  readonly names?: (body: Body) => readonly (string | undefined)[]
  /** Streams whose content the server copies into this one: only who may read them brings it here. Left out: none. */
  readonly copiesFrom?: (body: Body) => readonly string[]
  /** Whether it ties what is written to what others did: nobody without an account does. Left out: never. */
  readonly isOfOthers?: (body: Body) => boolean
  /** What an entry says, in one line; left out: its name and what was entered (views/entry-words). */
  readonly words?: (body: Body) => string
  /** It is looked at beside the plan, but no fact that the plan is made of: what it brings of weight is a stop. */
  readonly isNoFact?: true
  /** From version 1 to 2 first; a kind without any stands at version 1. */
  readonly upcasters?: readonly Upcaster[]
  /** For an opening one: the record that begins with it. */
  readonly open?: (streamId: string, event: EventOf<Body>) => Records[Stream]
  /** The record after it; without it the record stays as it is. */
  readonly fold?: (record: Records[Stream], event: EventOf<Body>) => Records[Stream]
  /**
   * For an event of a stay: what it says of one of its cases as well, or null. It is written with it, or neither is: one decision of a person
   * is never half taken. `stay` is as it was before.
   */
  readonly ofCase?: (stay: EpisodeRecord, event: EventOf<Body>, record: CaseRecord) => SaidOfCase | null
  /** Whether a body can say something of a case at all: what replaces something there waits for such an event. */
  readonly mayBeOfCase?: (body: Body) => boolean
  /** Of a case: it answers what an event of its stay says there, and waits for such an event as well; before it, it would answer nothing. */
  readonly answersStay?: true
  /** A good body, with what is optional in it wherever that is data a person enters. */
  readonly example: Body
}

type Definition<Body extends object, Stream extends StreamType> = Omit<EventKind<Body, Stream>, 'stream'>

/** A kind of event of a case. */
export function caseKind<Body extends object>(kind: Definition<Body, 'case'>): EventKind<Body, 'case'> {
  return { stream: 'case', ...kind }
}

/** A kind of event of a stay. */
export function episodeKind<Body extends object>(kind: Definition<Body, 'episode'>): EventKind<Body, 'episode'> {
  return { stream: 'episode', ...kind }
}

/** A kind of event of a place that keeps stock. */
export function placeKind<Body extends object>(kind: Definition<Body, 'place'>): EventKind<Body, 'place'> {
  return { stream: 'place', ...kind }
}

/** A kind of event of the ward: what a lead sets for all. */
export function wardKind<Body extends object>(kind: Definition<Body, 'ward'>): EventKind<Body, 'ward'> {
  return { stream: 'ward', ...kind }
}

/** A kind of event of a person. */
export function personKind<Body extends object>(kind: Definition<Body, 'person'>): EventKind<Body, 'person'> {
  return { stream: 'person', ...kind }
}
