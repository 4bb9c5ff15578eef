import Joi from 'joi'

/** The body of `settings`. */
export const schema = Joi.object({
  units: Joi.valid('metric', 'inches').required(),
  fingerCm: Joi.number().min(0.8).max(3.5).allow(null).required(),
  theme: Joi.valid('system', 'light', 'dark').required(),
})
