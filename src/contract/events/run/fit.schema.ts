import Joi from 'joi'
import { text } from '../../field-schemas'

/** The body of `fit`. */
export const schema = Joi.object({ testId: Joi.string().max(60).required(), isGood: Joi.boolean().required(), note: text(300).required() })
