import Joi from 'joi'
import { text } from '../../field-schemas'

/** The body of `worry`. */
export const schema = Joi.object({ text: text(200).required() })
