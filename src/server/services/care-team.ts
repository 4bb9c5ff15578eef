import { LRUCache } from 'lru-cache'
import { maskedLine, outsideOf } from '#ward/case/care-team'
import type { OutsideReason } from '#contract/api/looks-in'
import type { SayWhy } from '#contract/api/looks-in'
import type { EpisodeRecord } from '#contract/records/episode'
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

/** A line of a list, as far as it says whose it is. */
interface Line {
  readonly episodeId: string
  readonly patient: string
  readonly number?: string
  readonly isConfidential?: true
}

/** Who reads which record. */
export interface CareTeam {
  /** Of lines, the confidential stays whose names somebody does not see. */
  readonly hidden: (account: Account, lines: readonly Pick<Line, 'episodeId' | 'isConfidential'>[]) => Promise<ReadonlySet<string>>
  /** Of stays, those that somebody says why they open. */
  readonly shut: (account: Account, episodeIds: readonly string[]) => Promise<ReadonlySet<string>>
  /**
   * Lets somebody open a case, or asks them why first.
   * @throws ApiError 403 `say-why`, with the stay that the reason is said of
   */
  readonly admit: (account: Account, caseId: string) => Promise<void>
  /**
   * The same for a stay.
   * @throws ApiError 403 `say-why`
   */
  readonly admitToStay: (account: Pick<Account, 'id' | 'name' | 'settings'>, episodeId: string) => Promise<void>
}

const none: ReadonlySet<string> = new Set()

/** A house that keeps no care teams: every record is open to whoever may read. */
export const noCareTeams: CareTeam = {
  hidden: () => Promise.resolve(none),
  shut: () => Promise.resolve(none),
  admit: () => Promise.resolve(),
  admitToStay: () => Promise.resolve(),
}

/** Lines as somebody sees them: of a confidential patient who is not theirs initials, and no number. */
export async function maskLines<Shown extends Line>(
  careTeam: CareTeam,
  account: Account,
  lines: readonly Shown[],
): Promise<readonly Shown[]> {
  const hidden = await careTeam.hidden(account, lines)
  return lines.map((line) => (hidden.has(line.episodeId) ? maskedLine(line) : line))
}

/** Whether the name of a stay's patient is hidden from somebody. */
export async function isHiddenFrom(careTeam: CareTeam, account: Account, { id, confidential }: EpisodeRecord): Promise<boolean> {
  return confidential !== undefined && (await careTeam.hidden(account, [{ episodeId: id, isConfidential: true }])).has(id)
}

/** Who reads which record where the house keeps care teams: whoever is outside says why first. */
export function createCareTeam({ streams, looks, clock }: CareTeamDeps): CareTeam {
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

  async function shut(account: Pick<Account, 'id' | 'name' | 'settings'>, episodeIds: readonly string[]): Promise<ReadonlySet<string>> {
    const stays = [...new Set(episodeIds)]
    const found = await Promise.all(stays.map(async (id) => ((await isShut(account, id)) === null ? [] : [id])))
    return new Set(found.flat())
  }

  async function admitToStay(account: Pick<Account, 'id' | 'name' | 'settings'>, episodeId: string): Promise<void> {
    const key = `${account.id} ${episodeId}`
    if (known.has(key)) return
    const why = await isShut(account, episodeId)
    if (why !== null) throw new ApiError(403, 'say-why', words[why], { current: { episodeId, why } satisfies SayWhy })
    known.set(key, true)
  }

  return {
    shut,
    admitToStay,
    hidden: (account, lines) =>
      shut(
        account,
        lines.filter((line) => line.isConfidential).map((line) => line.episodeId),
      ),
    async admit(account, caseId) {
      const episodeId = await streams.episodeOf(caseId)
      if (episodeId !== null) await admitToStay(account, episodeId)
    },
  }
}
