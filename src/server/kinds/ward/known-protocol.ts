import { isDeepStrictEqual } from 'node:util'
import type { Transaction } from 'sequelize'
import { defaultProtocol, type Protocol } from '#core/quantities/defaults'
import { protocolInForce } from '#contract/records/protocol'
import type { WardRecord } from '#contract/records/ward'
import type { StreamRepository } from '../../repositories/streams'
import { refuse } from '../refuse'

/**
 * Refuses a protocol that was never in force here.
 * @throws ApiError 422
 */
export function checkKnownProtocol(protocol: Protocol, record: WardRecord): void {
  const known = [defaultProtocol, ...(record.versions ?? []).map((version) => version.protocol)]
  if (known.some((one) => isDeepStrictEqual(one, protocol))) return
  refuse('not-known', 'body/protocol', `${protocol.name} ${protocol.version} was never in force here: take a version from the list.`)
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
