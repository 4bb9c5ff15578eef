import Joi from 'joi'
import { limits } from '#core/model/limits'
import { lockRange, orderWays, postures, spinePositions, type OrderedBy, type OrderKind } from '#core/model/orders'
import { instant, refuseAt, text, within } from '../../field-schemas'

const orderedBy = {
  by: Joi.string().trim().min(2).max(120).required(),
  at: text(40).required(),
  how: Joi.valid(...orderWays),
  from: instant,
  until: instant,
  withdrawn: Joi.boolean(),
}

/** One order of some kind: it ends after it begins. */
function order(fields: Joi.SchemaMap): Joi.ObjectSchema {
  return Joi.object({ ...orderedBy, ...fields }).custom((given: OrderedBy, helpers) => {
    const { from = given.at, until } = given
    return until !== undefined && Date.parse(until) <= Date.parse(from) ? refuseAt(helpers, 'until', 'any.invalid') : given
  })
}
const plain = { what: text(300) }

/** The body of each kind of order that somebody signs. */
export const signedOrders: Readonly<Record<OrderKind, Joi.ObjectSchema>> = {
  brace: order({
    extensionStop: within(limits.stopDeg).required(),
    flexionStop: within(limits.stopDeg).min(Joi.ref('extensionStop')).required(),
    lock: Joi.alternatives(text(40), within(lockRange)).required(),
  }),
  weight: order({ allowed: text(120) }),
  spine: order({ posture: Joi.valid(...spinePositions).required() }),
  pull: order({ kg: within(limits.rigKg).required() }),
  posture: order({ posture: Joi.valid(...postures).required() }),
  angle: order({ deg: within(limits.stopDeg).required(), what: text(120) }),
  countertraction: order(plain),
  leave: order(plain),
  loosen: order(plain),
  cut: order(plain),
  close: order(plain),
  fasting: order(plain),
  noResuscitation: order(plain),
  atHome: order(plain),
}
