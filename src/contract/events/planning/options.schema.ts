import Joi from 'joi'
import { optionsSchema } from '../../field-schemas'

/** The body of `options`. */
export const schema = Joi.object({ options: optionsSchema.required() })
