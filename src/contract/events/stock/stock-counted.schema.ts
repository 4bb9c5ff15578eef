import Joi from 'joi'
import { mostOfALot, text, uuid } from '../../field-schemas'

/** The body of `stock-counted`. */
export const schema = Joi.object({
  lotId: uuid.required(),
  count: Joi.number().integer().min(0).max(mostOfALot).required(),
  note: text(200),
})
