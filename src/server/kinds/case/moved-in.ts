import type { Transaction } from 'sequelize'
import type { Measurement } from '#core/model/clinical-case'
import type { MovedInBody } from '#contract/events/case/moved-in'
import type { MovedOutBody } from '#contract/events/case/moved-out'
import type { AppendDeps } from '../../ledger/writing'
import { refuse } from '../refuse'
import type { CaseRules } from '../rules'

/** A wrongly filed reading as it was taken: copied from the case that it was moved out of, whatever the sender says of it. */
export const rules: CaseRules<MovedInBody> = {
  async complete(deps, { key, fromCase, reason }, { id }, transaction) {
    const here = await deps.events.ofStream('case', id, transaction)
    if (here.some((event) => event.kind === 'moved-in' && (event.body as MovedInBody).key === key))
      refuse('known', 'body/key', 'This reading is in this case already: nothing has to be moved.')
    return { key, fromCase, reason, measurement: await copyReading(deps, { key, fromCase, toCase: id }, transaction) }
  },
}

async function copyReading(
  { events }: AppendDeps,
  { key, fromCase, toCase }: { readonly key: string; readonly fromCase: string; readonly toCase: string },
  transaction: Transaction,
): Promise<Measurement> {
  const there = await events.ofStream('case', fromCase, transaction)
  const taken = there.find((event) => event.id === key && (event.kind === 'reading' || event.kind === 'moved-in'))
  const isOut = there.some((event) => {
    if (event.kind !== 'moved-out') return false
    const out = event.body as MovedOutBody
    return out.key === key && out.toCase === toCase
  })
  if (!taken) return refuse('not-known', 'body/key', 'There is no reading with this key in that case: look it up there.')
  if (!isOut) refuse('not-known', 'body/fromCase', 'That case has not moved this reading here: move it out there first.')
  const before = taken.kind === 'moved-in' ? (taken.body as MovedInBody).measurement : undefined
  return before ? { ...before, key } : { ...(taken.body as Measurement), key, at: taken.at, by: taken.actorName }
}
