import type { Transaction } from 'sequelize'
import { mayEndReplaced } from '#ward/case/change-asked'
import { awaitCountersign } from '../../ledger/countersigning'
import { findTechnique } from '#core/techniques/registry'
import type { AppendDeps } from '../../ledger/writing'
import { writeForCase } from '../../ledger/write-for-case'
import type { CaseRules, KeptOfCase } from '../rules'
import { settleReservations } from '../stock/settle-reservations'

/**
 * The device that a new one replaces is off as the new one is on, where whoever says so may decide it or the run of an accepted plan ended:
 * an event of its own, in the same transaction. Otherwise the old one stays on and is asked about.
 */
export const rules = { after: endReplaced } satisfies CaseRules<object>

async function endReplaced(
  deps: AppendDeps,
  { actor, event, record, episode }: KeptOfCase<object>,
  transaction: Transaction,
): Promise<void> {
  if (record.replaces === undefined || !mayEndReplaced(record, actor.roles)) return
  const old = await deps.streams.lockCase(record.replaces, transaction)
  if (!old || old.record.appliedAt === null || old.record.removedAt !== null || old.record.ended) return
  const name = findTechnique(record.technique)?.name ?? record.technique
  const under = record.runs.flatMap((run) => run.underneath ?? []).at(-1)
  const found = under ? { skin: under.skin, moves: under.moves } : {}
  const body = { reason: `Changed for: ${name}`, replacedBy: record.id, ...found }
  const removal = await writeForCase(deps, { locked: old, episode }, 'removed', body, event, transaction)
  await awaitCountersign(deps, removal.event, actor, episode.id, transaction)
  await settleReservations(deps, removal.event, removal.record.id, transaction)
}
