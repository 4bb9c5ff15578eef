import Joi from 'joi'
import { uuid } from '../../field-schemas'

/** The body of `run-lease`. */
export const schema = Joi.object({ runId: uuid.required(), device: Joi.string().min(1).max(60).required() })
