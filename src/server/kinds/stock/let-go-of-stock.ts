import type { Transaction } from 'sequelize'
import type { AppendDeps } from '../../ledger/writing'
import type { KeptOfCase } from '../rules'
import { settleReservations } from './settle-reservations'

/** What a case had set aside goes back: it needs nothing any more. */
export function letGoOfStock(deps: AppendDeps, { event, record }: KeptOfCase<object>, transaction: Transaction): Promise<void> {
  return settleReservations(deps, event, record.id, transaction)
}

/** The same where the plan was accepted until then: what was set aside without one stays. */
export async function letGoWithPlan(deps: AppendDeps, kept: KeptOfCase<object>, transaction: Transaction): Promise<void> {
  if (kept.before?.accepted != null) await letGoOfStock(deps, kept, transaction)
}
