import { catalogue } from '#core/catalogue/catalogue'
import { createMemo, type PlanContext } from '#core/model/plan-context'
import { defaultProtocol } from '#core/quantities/defaults'

/** The context a command line plan is made in: shipped catalogue and protocol, seed 1. */
export function createCliContext(): PlanContext {
  return { catalogue, protocol: defaultProtocol, seed: 1, now: new Date().toISOString(), zone: 'UTC', memo: createMemo() }
}
