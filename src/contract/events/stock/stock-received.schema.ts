import Joi from 'joi'
import { day, some, text, uuid } from '../../field-schemas'

/** The body of `stock-received`. */
export const schema = Joi.object({
  lotId: uuid.required(),
  itemCode: Joi.string().max(80).required(),
  lot: text(40).required(),
  expiresOn: day.allow(null).required(),
  count: some.required(),
})
