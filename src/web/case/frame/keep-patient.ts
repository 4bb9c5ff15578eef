import { spoken } from '#core/model/vocabulary'
import { findTechnique } from '#core/techniques/registry'
import { isPlaced } from '#ward/case/is-placed'
import { onSinceAt } from '#ward/case/situation-of-case'
import type { OpenCase } from '../../sync/case-store'
import { keepPatient } from '../../sync/patients-here'
import { useSession } from '../../sync/session-store'

/** Keeps the case in hand in the list of this device's patients, where it is one of them. */
export function keepPatientOf(open: OpenCase): void {
  const { state } = useSession.getState()
  if (state.status !== 'signed-in') return
  const { record, episode } = open
  const injury = episode.injuries[record.injuryId]
  const part = injury && isPlaced(injury) ? [injury.side?.toUpperCase(), spoken(injury.region ?? '')].filter(Boolean).join(' ') : ''
  keepPatient(open, state.person, {
    part,
    device: findTechnique(record.technique)?.name ?? record.technique,
    onSince: record.removedAt === null ? onSinceAt(record) : null,
  })
}
