import Joi from 'joi'

/** The body of `setup`. */
export const schema = Joi.object({
  people: Joi.number().integer().min(1).max(12).allow(null).required(),
  waterC: Joi.number().min(0).max(100).required(),
  roomC: Joi.number().min(-30).max(55).required(),
  backing: Joi.valid('air', 'pillow').required(),
  packSetMin: Joi.number().min(0.5).max(60).allow(null).required(),
  wearDays: Joi.number().min(0).max(365).allow(null).required(),
})
