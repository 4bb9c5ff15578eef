import Joi from 'joi'
import { limits } from '#core/model/limits'
import { lockRange } from '#core/model/orders'
import { oxygenRoutes, spinePositions } from '#core/model/orders'
import { text, within } from '../../field-schemas'

const orderedBy = { by: text(120), at: text(40) }

/** The body of `orders`. */
export const schema = Joi.object({
  orders: Joi.object({
    woundPlan: Joi.boolean(),
    openNow: Joi.boolean(),
    oxygen: Joi.valid(...oxygenRoutes),
    week: within(limits.week),
    spine: Joi.object({ ...orderedBy, posture: Joi.valid(...spinePositions).required() }),
    countertraction: Joi.object({ by: text(120).required().min(2), at: text(40).required() }),
    atHome: Joi.object({ by: text(120).required().min(2), at: text(40).required() }),
    weight: Joi.object({ ...orderedBy, allowed: text(120), withdrawn: Joi.boolean() }),
    brace: Joi.object({
      ...orderedBy,
      extensionStop: within(limits.stopDeg).required(),
      flexionStop: within(limits.stopDeg).min(Joi.ref('extensionStop')).required(),
      lock: Joi.alternatives(text(40), within(lockRange)).required(),
    }),
    wedges: Joi.array()
      .items(Joi.object({ week: within(limits.week).required(), count: within(limits.wedges).integer().required() }))
      .max(20),
  }).required(),
})
