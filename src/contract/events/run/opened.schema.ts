import Joi from 'joi'
import { uuid } from '../../field-schemas'

/** The body of `opened`. */
export const schema = Joi.object({ runId: uuid.required() })
