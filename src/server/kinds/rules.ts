import type { Transaction } from 'sequelize'
import type { EventInput, StoredEvent } from '#contract/event'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { WardRecord } from '#contract/records/ward'
import type { Actor, AppendDeps, CheckedPlan } from '../ledger/writing'

// What the server does with an event beyond keeping and folding it. Most kinds need nothing; a kind that does has one file here, named after
// it, which exports its `rules`. `npm run kinds` puts them into the index.

/** What somebody says happened, and when. */
export interface Claim<Body> {
  readonly kind: string
  readonly body: Body
  readonly at: string
  /** It waited on a device: what is refused there was done all the same. */
  readonly isQueued?: boolean
}

/** An event as it was kept. */
export type Kept<Body> = Omit<StoredEvent, 'body'> & { readonly body: Body }

/** A case event just kept, with its case before and after it. Stay and case are locked. */
export interface KeptOfCase<Body> {
  /** Whoever brought it about: what it causes asks their right to that. */
  readonly actor: Actor
  readonly event: Kept<Body>
  /** Null for the event that opens the case. */
  readonly before: CaseRecord | null
  readonly record: CaseRecord
  readonly episode: EpisodeRecord
}

export interface CaseRules<Body extends object> {
  /** Refuses what cannot be true of the case. It looks at nothing else, so that it cannot fail for another reason. */
  readonly check?: (claim: Claim<Body>, record: CaseRecord, actor: Actor) => void
  /** Works out what the event is compared with, before anything is locked. */
  readonly prepare?: (deps: AppendDeps, input: EventInput) => Promise<CheckedPlan>
  /** Looks up what the event names, and refuses what is not there. @returns the body as it is kept, with what it copies from elsewhere */
  readonly complete?: (
    deps: AppendDeps,
    body: Body,
    at: { readonly id: string; readonly before: CaseRecord | null; readonly episode: EpisodeRecord },
    transaction: Transaction,
  ) => Promise<Body>
  /** Does in the same transaction what follows from the event. */
  readonly after?: (deps: AppendDeps, kept: KeptOfCase<Body>, transaction: Transaction) => Promise<void>
}

export interface StayRules<Body extends object> {
  /** Refuses what cannot be true of the stay and its cases, which are locked. */
  readonly check?: (
    claim: Claim<Body>,
    at: { readonly stay: EpisodeRecord; readonly cases: readonly CaseRecord[]; readonly actor: Actor; readonly nowMs: number },
  ) => void
  /** As for a case. */
  readonly complete?: (deps: AppendDeps, body: Body, stay: EpisodeRecord, transaction: Transaction) => Promise<Body>
  /** As for a case. */
  readonly after?: (deps: AppendDeps, event: Kept<Body>, transaction: Transaction) => Promise<void>
}

export interface WardRules<Body extends object> {
  /** Refuses what cannot be done to the ward's record. */
  readonly check: (claim: Pick<Claim<Body>, 'kind' | 'body'>, record: WardRecord) => void
}

export interface PlaceRules<Body extends object> {
  /** Moves the stock of a place, which is locked. @throws ApiError 404, 409 `out-of-stock` or 422: then nothing is kept */
  readonly after: (deps: Pick<AppendDeps, 'stock'>, event: Kept<Body>, transaction: Transaction) => Promise<void>
}
