import Joi from 'joi'
import { text } from '../../field-schemas'

/** The body of `looked-in`. */
export const schema = Joi.object({ reason: text(200).trim().min(3).required() })
