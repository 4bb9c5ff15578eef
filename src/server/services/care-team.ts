import { LRUCache } from 'lru-cache'
import { outsideOf, type OutsideReason } from '#contract/views/care-team'
import type { SayWhy } from '#contract/api/looks-in'
import { ApiError } from '../ground/api-error'
import type { Clock } from '../ground/clock'
import type { LooksIn } from '../repositories/looks-in'
import type { Account } from '../repositories/people'
import type { StreamRepository } from '../repositories/streams'

/** So long a reason opens a record: a shift. */
const openForMs = 12 * 3_600_000
/** So long it is remembered that somebody may: a page asks for its case again and again. */
const rememberedMs = 60_000
const mostRemembered = 20_000

const words: Readonly<Record<OutsideReason, string>> = {
  outside: 'This patient is not in your places or your team: say why you open the record. Leads see who did, and why.',
  confidential: 'This record is confidential: say why you open it. Leads see who did, and why.',
}

export interface CareTeamDeps {
  readonly streams: Pick<StreamRepository, 'episodeOf' | 'findEpisode' | 'caseIdsOf' | 'findWard'>
  readonly looks: Pick<LooksIn, 'hasTakenPart' | 'hasLookedIn'>
  readonly clock: Clock
}

/** Who reads which record where the house keeps care teams: whoever is outside says why first. */
export function createCareTeam({ streams, looks, clock }: CareTeamDeps) {
  const known = new LRUCache<string, true>({ max: mostRemembered, ttl: rememberedMs })

  async function outside(account: Pick<Account, 'id' | 'name' | 'settings'>, episodeId: string): Promise<OutsideReason | null> {
    const [stay, ward] = await Promise.all([streams.findEpisode(episodeId), streams.findWard()])
    if (!stay) return null
    const hasTakenPart = await looks.hasTakenPart(account.id, episodeId, await streams.caseIdsOf(episodeId))
    return outsideOf(stay.record, ward.record, { name: account.name, settings: account.settings, hasTakenPart })
  }

  async function isShut(account: Pick<Account, 'id' | 'name' | 'settings'>, episodeId: string): Promise<OutsideReason | null> {
    const why = await outside(account, episodeId)
    return why !== null && (await looks.hasLookedIn(account.id, episodeId, new Date(clock() - openForMs))) ? null : why
  }

  return {
    /** The confidential stays among lines whose names somebody does not see. */
    async hidden(
      account: Account,
      lines: readonly { readonly episodeId: string; readonly isConfidential?: true }[],
    ): Promise<ReadonlySet<string>> {
      const stays = [...new Set(lines.filter((line) => line.isConfidential).map((line) => line.episodeId))]
      const shut = await Promise.all(stays.map(async (id) => ((await isShut(account, id)) === null ? [] : [id])))
      return new Set(shut.flat())
    },
    /**
     * Lets somebody open a case, or asks them why first.
     * @throws ApiError 403 `say-why`, with the stay that the reason is said of
     */
    async admit(account: Account, caseId: string): Promise<void> {
      const key = `${account.id} ${caseId}`
      if (known.has(key)) return
      const episodeId = await streams.episodeOf(caseId)
      if (episodeId === null) return
      const why = await isShut(account, episodeId)
      if (why !== null) throw new ApiError(403, 'say-why', words[why], { current: { episodeId, why } satisfies SayWhy })
      known.set(key, true)
    },
  }
}

export type CareTeam = ReturnType<typeof createCareTeam>
