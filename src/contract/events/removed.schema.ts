import Joi from 'joi'
import { reason } from '../field-schemas'

/** The body of `removed`. */
export const schema = Joi.object({ reason: reason.required() })
