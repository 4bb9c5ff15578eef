import { createHash } from 'node:crypto'
import type { StoredEvent } from '#contract/event'

/** By which rule a hash is made; what older ones made stays provable. */
export const newestRule = 1

/** What each rule covers. A rule that events were written by is never changed: another one is added. */
const keptBy: Readonly<Record<number, (event: StoredEvent) => readonly unknown[]>> = {
  1: (event) => [
    event.id,
    event.stream.type,
    event.stream.id,
    event.version,
    event.kind,
    event.v,
    event.actor,
    event.actorName,
    event.at,
    event.receivedAt,
    event.offsetMs,
    event.base ?? null,
    event.mark ?? null,
    event.claimedAt ?? null,
    JSON.stringify(event.body),
  ],
}

/**
 * The hash of an event in its stream's chain: SHA-256 over the previous hash and everything that is kept.
 * @param rule by which it is made
 * @returns hexadecimal; an empty text for a rule that is not known, which equals no hash
 */
export function chainHash(previousHash: string, event: StoredEvent, rule: number): string {
  const kept = keptBy[rule]?.(event)
  return kept ? createHash('sha256').update(previousHash).update(JSON.stringify(kept)).digest('hex') : ''
}
