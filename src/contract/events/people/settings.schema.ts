import Joi from 'joi'
import { limits } from '#core/model/limits'
import { within } from '../../field-schemas'

const clock = Joi.string()
  .allow('')
  .pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'time of day such as 22:00')

/** The body of `settings`. */
export const schema = Joi.object({
  units: Joi.valid('metric', 'inches').required(),
  fingerCm: within(limits.breadthCm).allow(null).required(),
  theme: Joi.valid('system', 'light', 'dark').required(),
  team: Joi.string().max(60),
  places: Joi.array().items(Joi.string().min(1).max(80)).unique().max(60),
  readsAloud: Joi.boolean(),
  isLed: Joi.boolean(),
  sound: Joi.object({ isOn: Joi.boolean().required(), quietFrom: clock.required(), quietUntil: clock.required() }),
})
