import Joi from 'joi'
import { signedOrders } from './signed-orders'

/** The body of `ordered`: one order. */
export const schema = Joi.object({ ordered: Joi.object(signedOrders).length(1).required() })
