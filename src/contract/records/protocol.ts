import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import type { Recorded } from './run'

/** A local protocol as leads write it: nobody is planned by it yet. */
export interface ProtocolDraft extends Recorded {
  readonly protocol: Protocol
  /** Why, in a line; it stays with the version. */
  readonly note: string
  /** Leads who signed it as it stands; writing it again takes their names off. */
  readonly signed: readonly (Recorded & { readonly actor: string })[]
}

/** A local protocol that is or was in force; a version never changes. */
export interface ProtocolVersion extends Recorded {
  readonly protocol: Protocol
  readonly note: string
  readonly draftedBy: string
  readonly signedBy: readonly string[]
}

/** What the local protocol is called in its versions. */
export const localName = 'local'
/** How many leads sign what goes beyond a guarded figure. */
export const guardSignatures = 2

/** What a ward keeps of its protocol. */
export interface ProtocolRecord {
  readonly draft?: ProtocolDraft
  /** The oldest first; the last is in force. */
  readonly versions?: readonly ProtocolVersion[]
}

/** The protocol by which a new case is planned: the last version, or the shipped one. */
export function protocolInForce({ versions }: ProtocolRecord): Protocol {
  return versions?.at(-1)?.protocol ?? defaultProtocol
}

/** What a protocol is called: "version 3", or the shipped one. */
export function protocolName({ name, version }: Pick<Protocol, 'name' | 'version'>): string {
  return name === localName ? `version ${version}` : 'as shipped'
}
