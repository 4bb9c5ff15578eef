import Joi from 'joi'
import { some, text, uuid } from '../../field-schemas'

/** The body of `stock-taken`. */
export const schema = Joi.object({ itemCode: Joi.string().max(80).required(), count: some.required(), caseId: uuid, note: text(200) })
