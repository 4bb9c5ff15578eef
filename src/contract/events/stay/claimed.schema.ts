import Joi from 'joi'
import { reason } from '../../field-schemas'

/** The body of `claimed`. */
export const schema = Joi.object({ words: reason.required() })
