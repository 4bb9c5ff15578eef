import Joi from 'joi'
import { reason } from '../../field-schemas'

/** The body of `unmerged`. */
export const schema = Joi.object({ reason: reason.required() })
