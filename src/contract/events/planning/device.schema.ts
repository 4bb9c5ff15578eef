import Joi from 'joi'
import { limits } from '#core/model/limits'
import { within } from '../../field-schemas'
import { castMaterials } from '#core/model/device'

/** The body of `device`. */
export const schema = Joi.object({
  device: Joi.object({
    material: Joi.valid(...castMaterials),
    layers: within(limits.deviceLayers),
    paddingLayers: within(limits.devicePaddingLayers),
    topCm: within(limits.deviceTopCm),
    minutesSince: within(limits.deviceMinutes),
    lastRound: Joi.valid('none', 'known', 'warn', 'review', 'urgent'),
  }).required(),
})
