import Joi from 'joi'
import { limits } from '#core/model/limits'
import { injuryFlags, patterns, regions, sides, swellings } from '#core/model/vocabulary'
import { reason, uuid, within } from '../../field-schemas'

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
    levelCm: within(limits.levelCm).allow(null).required(),
  }).required(),
  reason,
})
