import { isHandedOver, type CrewHandOver } from '../../records/crew-hand-over'
import type { EpisodeRecord } from '../../records/episode'

/** A stay with what stands of its hand-over; once that is done, the device on which it was begun without an account has let go. */
export function withHandOver(record: EpisodeRecord, crewHandOver: CrewHandOver, at: string): EpisodeRecord {
  const { unattributed } = record
  const letsGo = isHandedOver(crewHandOver) && unattributed !== undefined && unattributed.letGoAt === undefined
  return { ...record, crewHandOver, ...(letsGo ? { unattributed: { ...unattributed, letGoAt: at } } : {}) }
}
