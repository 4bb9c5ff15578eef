import Joi from 'joi'
import { shortId, uuid } from '../../field-schemas'
import { movesUnder, pulsesUnder, skinsUnder } from '../../records/underneath'

/** The body of `underneath`. */
export const schema = Joi.object({
  runId: uuid.required(),
  stepId: shortId.required(),
  skin: Joi.valid(...skinsUnder).required(),
  pulse: Joi.valid(...pulsesUnder),
  moves: Joi.valid(...movesUnder).required(),
})
