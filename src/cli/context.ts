import { catalogue } from '#core/catalogue/catalogue'
import { createMemo, type PlanContext } from '#core/model/plan-context'
import { defaultProtocol } from '#core/quantities/defaults'

/** The context a command line plan is made in: shipped catalogue, seed 1, and the shipped protocol unless another one is given. */
export function createCliContext(protocol = defaultProtocol): PlanContext {
  return { catalogue, protocol, seed: 1, now: new Date().toISOString(), zone: 'UTC', memo: createMemo() }
}
