import type { Transaction } from 'sequelize'
import { findTechnique } from '#core/techniques/registry'
import type { CarriedInBody, CarriedReading } from '#contract/events/carried-in'
import type { CaseRecord } from '#contract/records/case'
import type { EpisodeRecord } from '#contract/records/episode'
import type { StoredEvent } from '#contract/event'
import { readingsToCarry } from '#contract/views/related-cases'
import { invalidInput } from '../ground/api-error'
import type { StreamRepository } from '../repositories/streams'
import { settleReservations } from './settle-reservations'
import { writeForCase } from './write-for-case'
import type { AppendDeps } from './writing'

// What passes between two devices of one patient: readings when the second is begun, and the end of the first when the second is on.

/**
 * Readings that come along, as they were taken: copied from the case they are of, whatever the sender says of them.
 * @throws ApiError 422 when that case is not this patient's, or has no such reading
 */
export async function copyCarriedReadings(
  streams: StreamRepository,
  record: CaseRecord,
  body: CarriedInBody,
  transaction: Transaction,
): Promise<CarriedInBody> {
  const from = await streams.findCase(body.fromCase, transaction)
  const [here, there] = await Promise.all(
    [record.episodeId, from?.record.episodeId].map((id) =>
      id === undefined ? Promise.resolve(null) : streams.findEpisode(id, transaction),
    ),
  )
  if (!from || here?.record.patientId !== there?.record.patientId) {
    throw invalidInput([
      { code: 'not-known', path: 'body/fromCase', message: 'There is no such case of this patient: name one of this patient’s cases.' },
    ])
  }
  const known = new Map(readingsToCarry(from.record).map((one) => [one.key, one]))
  const readings = body.readings.map(({ key }, index): CarriedReading => {
    const taken = known.get(key)
    if (taken) return taken
    throw invalidInput([
      {
        code: 'not-known',
        path: `body/readings/${index}/key`,
        message: 'There is no reading with this key in that case, or a later one stands for it: look it up there.',
      },
    ])
  })
  return { fromCase: body.fromCase, readings }
}

/** The device that a new one replaces is off as the new one is on: one event of its own, in the same transaction. */
export async function endReplaced(
  deps: AppendDeps,
  cause: StoredEvent,
  record: CaseRecord,
  episode: EpisodeRecord,
  transaction: Transaction,
): Promise<void> {
  if (record.replaces === undefined) return
  const old = await deps.streams.lockCase(record.replaces, transaction)
  if (!old || old.record.appliedAt === null || old.record.removedAt !== null || old.record.ended) return
  const name = findTechnique(record.technique)?.name ?? record.technique
  const under = record.runs.flatMap((run) => run.underneath ?? []).at(-1)
  const found = under ? { skin: under.skin, moves: under.moves } : {}
  const body = { reason: `Changed for: ${name}`, replacedBy: record.id, ...found }
  const { event, record: after } = await writeForCase(deps, { locked: old, episode }, 'removed', body, cause, transaction)
  await settleReservations(deps, event, after.id, transaction)
}
