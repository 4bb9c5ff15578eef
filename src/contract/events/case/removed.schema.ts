import Joi from 'joi'
import { movesUnder, skinsUnder } from '../../records/underneath'
import { reason, uuid } from '../../field-schemas'

/** The body of `removed`. */
export const schema = Joi.object({
  reason: reason.required(),
  skin: Joi.valid(...skinsUnder),
  moves: Joi.valid(...movesUnder),
  replacedBy: uuid,
})
