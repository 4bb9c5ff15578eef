import Joi from 'joi'
import { limits } from '#core/model/limits'
import { lockRange, orderWays, postures, spinePositions, type OrderedBy, type OrderKind } from '#core/model/orders'
import { instant, refuseAt, text, within } from '../../field-schemas'

const orderedBy = {
  at: text(40).required(),
  how: Joi.valid(...orderWays),
  from: instant,
  until: instant,
  withdrawn: Joi.boolean(),
}

/** One order of some kind: it ends after it begins. */
function order(by: Joi.StringSchema, fields: Joi.SchemaMap): Joi.ObjectSchema {
  return Joi.object({ by, ...orderedBy, ...fields }).custom((given: OrderedBy, helpers) => {
    const { from = given.at, until } = given
    return until !== undefined && Date.parse(until) <= Date.parse(from) ? refuseAt(helpers, 'until', 'until.order') : given
  })
}
const plain = { what: text(300) }

/** The body of each kind of order. @param by how whoever gave it is named */
function ordersBy(by: Joi.StringSchema): Readonly<Record<OrderKind, Joi.ObjectSchema>> {
  return {
    brace: order(by, {
      extensionStop: within(limits.stopDeg).required(),
      flexionStop: within(limits.stopDeg).min(Joi.ref('extensionStop')).required(),
      lock: Joi.alternatives(text(40), within(lockRange)).required(),
    }),
    weight: order(by, { allowed: text(120) }),
    spine: order(by, { posture: Joi.valid(...spinePositions).required() }),
    pull: order(by, { kg: within(limits.rigKg).required() }),
    posture: order(by, { posture: Joi.valid(...postures).required() }),
    angle: order(by, { deg: within(limits.stopDeg).required(), what: text(120) }),
    countertraction: order(by, plain),
    leave: order(by, plain),
    loosen: order(by, plain),
    cut: order(by, plain),
    close: order(by, plain),
    fasting: order(by, plain),
    noResuscitation: order(by, plain),
    atHome: order(by, plain),
  }
}

/** Orders as somebody gives them: by name, or they are none. */
export const signedOrders = ordersBy(Joi.string().trim().min(2).max(120).required())
/** Orders as they were read from a file, where one may name nobody: it is kept as it was written, and cautioned. */
export const readOrders = ordersBy(text(120).required())
