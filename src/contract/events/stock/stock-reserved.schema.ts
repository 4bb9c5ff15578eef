import Joi from 'joi'
import { some, uuid } from '../../field-schemas'

/** The body of `stock-reserved`. */
export const schema = Joi.object({ itemCode: Joi.string().max(80).required(), count: some.required(), caseId: uuid.required() })
