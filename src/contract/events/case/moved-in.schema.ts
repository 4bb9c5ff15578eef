import Joi from 'joi'
import { reason, uuid } from '../../field-schemas'

/** The body of `moved-in`. */
export const schema = Joi.object({
  key: uuid.required(),
  fromCase: uuid.required(),
  reason: reason.required(),
  // What a client says of the reading is not kept.
  measurement: Joi.any().strip(),
})
