import Joi from 'joi'
import { reason } from '../../field-schemas'

const words = Joi.string().trim().min(1).max(160).required()

/** The body of `side-changed`. */
export const schema = Joi.object({ from: words, to: words, reason: reason.required(), isOtherLimb: Joi.boolean().required() })
