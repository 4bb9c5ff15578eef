import Joi from 'joi'
import { uuid } from '../../field-schemas'

/** The body of `stock-released`. */
export const schema = Joi.object({ caseId: uuid.required() })
