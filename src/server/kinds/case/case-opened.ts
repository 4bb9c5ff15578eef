import type { Transaction } from 'sequelize'
import type { CaseOpenedBody } from '#contract/events/case/case-opened'
import type { EpisodeRecord } from '#contract/records/episode'
import type { AppendDeps } from '../../ledger/writing'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'
import { protocolOfNewCase } from '../ward/known-protocol'

/** A case begins with the protocol in force, and with what the device is that it replaces. */
export const rules: CaseRules<CaseOpenedBody> = {
  async complete(deps, body, { episode }, transaction) {
    await checkRelatives(deps, body, episode, transaction)
    const old = body.replaces === undefined ? null : await deps.streams.findCase(body.replaces, transaction)
    const isOn = old !== null && old.record.appliedAt !== null && old.record.removedAt === null
    const { oldTechnique: _, ...rest } = body
    return {
      ...rest,
      ...(isOn ? { oldTechnique: old.record.technique } : {}),
      ...(await protocolOfNewCase(deps.streams, body.protocol, transaction)),
    }
  },
}

/** Cases that a new one replaces, or is worn with, are the same patient's. */
async function checkRelatives(deps: AppendDeps, body: CaseOpenedBody, episode: EpisodeRecord, transaction: Transaction): Promise<void> {
  for (const [path, id] of [
    ...(body.replaces ? [['body/replaces', body.replaces] as const] : []),
    ...(body.with ?? []).map((caseId, index) => [`body/with/${index}`, caseId] as const),
  ]) {
    const named = await deps.streams.findCase(id, transaction)
    const stay = named && (await deps.streams.findEpisode(named.record.episodeId, transaction))
    if (stay?.record.patientId === episode.patientId) continue
    refuse('not-known', path, `There is no case ${id} of this patient: name one of this patient's cases.`)
  }
}
