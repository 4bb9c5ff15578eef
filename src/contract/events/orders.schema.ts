import Joi from 'joi'
import { oxygenRoutes, spinePositions } from '#core/model/orders'
import { text } from '../field-schemas'

const orderedBy = { by: text(120), at: text(40) }

/** The body of `orders`. */
export const schema = Joi.object({
  orders: Joi.object({
    woundPlan: Joi.boolean(),
    openNow: Joi.boolean(),
    oxygen: Joi.valid(...oxygenRoutes),
    week: Joi.number().min(0).max(520),
    spine: Joi.valid(...spinePositions),
    weight: Joi.object(orderedBy),
    brace: Joi.object({
      ...orderedBy,
      extensionStop: Joi.number().min(-10).max(140).required(),
      flexionStop: Joi.number().min(-10).max(140).min(Joi.ref('extensionStop')).required(),
      lock: text(40).required(),
    }),
    wedges: Joi.array()
      .items(Joi.object({ week: Joi.number().min(0).max(520).required(), count: Joi.number().integer().min(0).max(10).required() }))
      .max(20),
  }).required(),
})
