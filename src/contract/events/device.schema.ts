import Joi from 'joi'
import { castMaterials } from '#core/model/device'

/** The body of `device`. */
export const schema = Joi.object({
  device: Joi.object({
    material: Joi.valid(...castMaterials),
    layers: Joi.number().min(1).max(60),
    paddingLayers: Joi.number().min(0).max(20),
    minutesSince: Joi.number().min(0).max(1_000_000),
    lastRound: Joi.valid('none', 'known', 'warn', 'review', 'urgent'),
  }).required(),
})
