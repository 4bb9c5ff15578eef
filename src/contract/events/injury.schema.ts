import Joi from 'joi'
import { injuryFlags, patterns, regions, sides, swellings } from '#core/model/vocabulary'
import { uuid } from '../field-schemas'

/** The body of `injury`. */
export const schema = Joi.object({
  injuryId: uuid.required(),
  injury: Joi.object({
    region: Joi.valid(...regions)
      .allow(null)
      .required(),
    side: Joi.valid(...sides)
      .allow(null)
      .required(),
    pattern: Joi.valid(...patterns).required(),
    flags: Joi.array()
      .items(Joi.valid(...injuryFlags))
      .unique()
      .required(),
    swelling: Joi.valid(...swellings).required(),
    levelCm: Joi.number().min(0).max(250).allow(null).required(),
  }).required(),
})
