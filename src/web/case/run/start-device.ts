import { v7 as uuidv7 } from 'uuid'
import type { CaseOpenedBody } from '#contract/events/case/case-opened'
import { unknownInjury } from '#contract/records/episode'
import { readingsToCarry } from '#ward/rounds/related-cases'
import { techniques } from '#core/techniques/registry'
import { holdCaseOfStay, nextBase, type OpenCase } from '../../sync/case-store'
import { makeEvent, sendEvent } from '../../sync/outbox'
import { protocolOfNewCase } from '../../sync/protocol-in-force'

/** How a new device stands to the one in hand: in its place, beside it, or for an injury of its own. */
export type DeviceWay = 'convert' | 'beside' | 'injury'

/**
 * Opens a case of the same stay beside the one in hand, with identity, flags, baseline and readings; works without a line.
 * @param technique what is put on; for an injury of its own it is chosen once that is known
 * @returns the id of the new case, which is the one in hand from now on
 */
export async function startDevice({ record, episode }: OpenCase, way: DeviceWay, technique: string | null): Promise<string> {
  const [caseId, injuryId] = [uuidv7(), way === 'injury' ? uuidv7() : record.injuryId]
  const isOn = record.appliedAt !== null && record.removedAt === null
  const opening: CaseOpenedBody = {
    episodeId: episode.id,
    injuryId,
    technique: technique ?? techniques[0]?.id ?? '',
    ...(way === 'convert' ? { replaces: record.id, oldTechnique: record.technique } : {}),
    ...(way === 'beside' && isOn ? { with: [record.id] } : {}),
    ...(await protocolOfNewCase()),
  }
  const onCase = { type: 'case', id: caseId } as const
  const base = nextBase(episode.id)
  const readings = readingsToCarry(record)
  const begin = makeEvent(onCase, 'case-opened', opening, 0)
  holdCaseOfStay(begin)
  if (way === 'injury') await sendEvent(makeEvent({ type: 'episode', id: episode.id }, 'injury', { injuryId, injury: unknownInjury }, base))
  await sendEvent(begin)
  if (readings.length > 0) await sendEvent(makeEvent(onCase, 'carried-in', { fromCase: record.id, readings }, 0))
  return caseId
}
