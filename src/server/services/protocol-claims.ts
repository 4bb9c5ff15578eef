import { isDeepStrictEqual } from 'node:util'
import type { Transaction } from 'sequelize'
import { floorsLoosened } from '#core/protocols/floors-loosened'
import { judgeProtocol } from '#core/protocols/judge-protocol'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import type { DraftNamed } from '#contract/events/protocol-signed'
import { floorSignatures, protocolInForce } from '#contract/records/protocol'
import type { WardRecord } from '#contract/records/ward'
import { ApiError, invalidInput } from '../ground/api-error'
import type { StreamRepository } from '../repositories/streams'

/**
 * Refuses what cannot be done to a draft: there is none, it was written again meanwhile, it has faults, it goes beyond a floor and too few
 * have signed, it changes nothing.
 * @throws ApiError 409 or 422
 */
export function checkDraftClaim(kind: string, body: unknown, record: WardRecord): void {
  if (kind !== 'protocol-signed' && kind !== 'protocol-dropped' && kind !== 'protocol-in-force') return
  const { draft } = record
  if (!draft || Date.parse((body as DraftNamed).draftedAt) !== Date.parse(draft.at)) {
    throw new ApiError(409, 'stale', 'The draft was written again or put away meanwhile: look at it, then decide.')
  }
  if (kind === 'protocol-dropped') return
  const problems = judgeProtocol(draft.protocol)
  if (problems.length > 0) throw invalidInput(problems.map((one) => ({ ...one, path: `draft/${one.path}` })))
  if (kind === 'protocol-signed') return
  const loosened = floorsLoosened(draft.protocol)
  if (loosened.length > 0 && draft.signed.length < floorSignatures) {
    const message = `${loosened.join('; ')}: this goes beyond a floor of safety. Two leads sign first, ${draft.signed.length} of ${floorSignatures} have.`
    throw invalidInput([{ code: 'out-of-range', path: 'draft', message }])
  }
  const { name, version } = protocolInForce(record)
  if (isDeepStrictEqual({ ...draft.protocol, name, version }, protocolInForce(record))) {
    throw invalidInput([{ code: 'format', path: 'draft', message: 'The draft changes nothing: change it, or put it away.' }])
  }
}

/**
 * Refuses a protocol that was never in force here.
 * @throws ApiError 422
 */
export function checkKnownProtocol(protocol: Protocol, record: WardRecord): void {
  const known = [defaultProtocol, ...(record.versions ?? []).map((one) => one.protocol)]
  if (known.some((one) => isDeepStrictEqual(one, protocol))) return
  const message = `${protocol.name} ${protocol.version} was never in force here: take a version from the list.`
  throw invalidInput([{ code: 'not-known', path: 'body/protocol', message }])
}

/** What a new case is planned by: what it says, if that was ever in force, else what is in force; nothing where that is as shipped. */
export async function protocolOfNewCase(
  streams: StreamRepository,
  said: Protocol | undefined,
  transaction: Transaction,
): Promise<{ readonly protocol?: Protocol }> {
  const { record } = await streams.findWard(transaction)
  if (said) checkKnownProtocol(said, record)
  const protocol = said ?? protocolInForce(record)
  return protocol.name === defaultProtocol.name ? {} : { protocol }
}
