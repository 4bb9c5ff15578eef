import Joi from 'joi'
import { uuid } from '../../field-schemas'

/** The body of `taken-off`. */
export const schema = Joi.object({ runId: uuid.required() })
