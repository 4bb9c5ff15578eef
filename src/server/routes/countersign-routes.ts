import type { Response, Router } from 'express'
import { findTechnique } from '#core/techniques/registry'
import { countersignPageSize, type CountersignAnswer, type GroupToSign } from '#contract/api/countersign'
import { initialsOf, patientLabel } from '#contract/records/episode'
import { mayStandIn } from '#contract/rights'
import { maskedWords } from '#ward/case/care-team'
import { entryWords } from '#ward/story/entry-words'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import { signedIn, type SignedInRequest } from '../middleware/session'
import type { Countersigns, Signer, SigningPerson, WaitingEntry } from '../repositories/countersigns'
import type { Account } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'
import { isHiddenFrom, type CareTeam } from '../services/care-team'

/** What trainees entered and nobody stands for yet. It is signed by an event of its stay. */
export function countersignRoutes(
  { router, route }: Guarded,
  deps: {
    readonly countersigns: Countersigns
    readonly streams: StreamRepository
    readonly careTeam: CareTeam
    readonly clock: Clock
  },
): Router {
  route('GET /api/countersign', async (request: SignedInRequest, response: Response<CountersignAnswer>) => {
    const { account } = signedIn(request)
    const reader = { id: account.id, standsIn: mayStandIn(account.roles) }
    const [entries, waiting] = await Promise.all([deps.countersigns.waiting(countersignPageSize), deps.countersigns.count(reader)])
    const byPlace = new Map<string, WaitingEntry[]>()
    for (const entry of entries.filter((one) => one.actor !== account.id)) {
      const key = `${entry.episodeId} ${entry.caseId ?? ''} ${entry.actor} ${signerId(entry.signer)}`
      byPlace.set(key, [...(byPlace.get(key) ?? []), entry])
    }
    const groups = await Promise.all([...byPlace.values()].map((group) => groupOf(group, reader, account)))
    response.json({ groups: groups.flatMap((group) => group ?? []), waiting, now: new Date(deps.clock()).toISOString() })
  })
  return router

  async function groupOf(entries: readonly WaitingEntry[], reader: SigningPerson, account: Account): Promise<GroupToSign | null> {
    const [first] = entries
    const stay = first && (await deps.streams.findEpisode(first.episodeId))
    if (!stay) return null
    const isHidden = await isHiddenFrom(deps.careTeam, account, stay.record)
    const label = patientLabel(stay.record)
    const found = first.caseId === null ? null : await deps.streams.findCase(first.caseId)
    return {
      episodeId: first.episodeId,
      caseId: first.caseId ?? (await deps.streams.firstCaseOf(first.episodeId)),
      patient: isHidden ? initialsOf(label) : label,
      place: stay.record.place,
      technique: found ? (findTechnique(found.record.technique)?.name ?? found.record.technique) : '',
      by: first.actorName,
      signer: first.signer === 'lead' ? 'a lead' : (first.signer?.name ?? null),
      isYours: first.signer === null || (first.signer === 'lead' ? reader.standsIn : first.signer.id === reader.id),
      entries: entries.map(({ eventId, at, kind, v, body }) => ({
        eventId,
        at: at.toISOString(),
        words: isHidden ? maskedWords : entryWords(kind, v, body),
      })),
    }
  }
}

function signerId(signer: Signer | null): string {
  return signer === null || signer === 'lead' ? (signer ?? '') : signer.id
}
