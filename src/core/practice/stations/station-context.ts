import { catalogue } from '../../catalogue/catalogue'
import { createMemo, type PlanContext } from '../../model/plan-context'
import { defaultProtocol } from '../../quantities/defaults'

/** Stations go by the built-in figures and no clock, so that everybody is scored alike wherever it is worked out. */
export const stationContext: PlanContext = {
  catalogue,
  protocol: defaultProtocol,
  seed: 1,
  now: '2026-01-01T08:00:00Z',
  zone: 'UTC',
  memo: createMemo(),
}
