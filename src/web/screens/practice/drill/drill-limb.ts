import type { Geometry } from '#core/model/geometry'
import type { HiddenBody } from '#core/practice/drill/draw-body'
import { defaultProtocol } from '#core/quantities/defaults'
import { planCase } from '#core/techniques/plan-case'
import { browserContext } from '../../../case/plan/use-plan'

const made = new WeakMap<HiddenBody, Geometry | null>()

/** The limb of a bed with what it wears, worked out once a night; null where it makes no plan. */
export function limbOfBed(body: HiddenBody): Geometry | null {
  const known = made.get(body)
  if (known !== undefined) return known
  const geometry = planCase(body.clinicalCase, browserContext(defaultProtocol))?.geometry ?? null
  made.set(body, geometry)
  return geometry
}
