import type { Response, Router } from 'express'
import { looksBackDays, type LooksInAnswer } from '#contract/api/looks-in'
import { initialsOf, patientLabel } from '#contract/records/episode'
import type { Clock } from '../ground/clock'
import type { Guarded } from '../middleware/guard'
import type { SignedInRequest } from '../middleware/session'
import type { LooksIn } from '../repositories/looks-in'
import type { StreamRepository } from '../repositories/streams'

const mostShown = 200

/** Who opened a record from outside the care team, and why: for leads. */
export function looksInRoutes(
  { router, route }: Guarded,
  { looks, streams, clock }: { readonly looks: LooksIn; readonly streams: StreamRepository; readonly clock: Clock },
): Router {
  route('GET /api/looks-in', async (_request: SignedInRequest, response: Response<LooksInAnswer>) => {
    const since = new Date(clock() - looksBackDays * 86_400_000)
    const [found, count] = await Promise.all([looks.list(since, mostShown), looks.count(since)])
    const shown = await Promise.all(
      found.map(async ({ eventId, episodeId, personName, reason, at }) => {
        const stay = (await streams.findEpisode(episodeId))?.record
        const label = stay ? patientLabel(stay) : ''
        return {
          id: eventId,
          at: at.toISOString(),
          by: personName,
          reason,
          patient: stay?.confidential ? initialsOf(label) : label,
          place: stay?.place ?? '',
        }
      }),
    )
    response.json({ looks: shown, count, now: new Date(clock()).toISOString() })
  })
  return router
}
