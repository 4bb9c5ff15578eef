import Joi from 'joi'
import { limits } from '#core/model/limits'
import { oxygenRoutes } from '#core/model/orders'
import { within } from '../../field-schemas'
import { readOrders } from './signed-orders'

/** The body of `orders`. */
export const schema = Joi.object({
  orders: Joi.object({
    woundPlan: Joi.boolean(),
    openNow: Joi.boolean(),
    oxygen: Joi.valid(...oxygenRoutes),
    week: within(limits.week),
    ...readOrders,
    wedges: Joi.array()
      .items(Joi.object({ week: within(limits.week).required(), count: within(limits.wedges).integer().required() }))
      .max(20),
  }).required(),
})
