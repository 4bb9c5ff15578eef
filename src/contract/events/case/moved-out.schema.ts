import Joi from 'joi'
import { reason, uuid } from '../../field-schemas'

/** The body of `moved-out`. */
export const schema = Joi.object({ key: uuid.required(), toCase: uuid.required(), reason: reason.required() })
