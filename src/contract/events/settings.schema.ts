import Joi from 'joi'
import { limits } from '#core/model/limits'
import { within } from '../field-schemas'

/** The body of `settings`. */
export const schema = Joi.object({
  units: Joi.valid('metric', 'inches').required(),
  fingerCm: within(limits.breadthCm).allow(null).required(),
  theme: Joi.valid('system', 'light', 'dark').required(),
})
