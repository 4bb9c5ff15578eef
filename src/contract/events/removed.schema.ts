import Joi from 'joi'
import { movesWhenOff, skinsWhenOff } from './removed'
import { reason, uuid } from '../field-schemas'

/** The body of `removed`. */
export const schema = Joi.object({
  reason: reason.required(),
  skin: Joi.valid(...skinsWhenOff),
  moves: Joi.valid(...movesWhenOff),
  replacedBy: uuid,
})
