import Joi from 'joi'
import { limits } from '#core/model/limits'
import { mostOnwardPulleys } from '#core/model/rig'
import { within } from '../../field-schemas'

/** The body of `setup`. */
export const schema = Joi.object({
  people: within(limits.people).integer().allow(null).required(),
  waterC: within(limits.waterC).required(),
  roomC: within(limits.roomC).required(),
  backing: Joi.valid('air', 'pillow').required(),
  packSetMin: within(limits.packSetMin).allow(null).required(),
  wearDays: within(limits.wearDays).allow(null).required(),
  rig: Joi.object({
    beamCm: within(limits.rigBeamCm),
    fixedCm: Joi.array().ordered(within(limits.rigFixedCm).required(), within(limits.rigFixedCm).required()).length(2),
    carriedAtCm: within(limits.rigCarriedAtCm),
    knotCm: within(limits.rigKnotCm),
    onwardCm: Joi.array().items(within(limits.rigOnwardCm)).max(mostOnwardPulleys),
    dropCm: within(limits.rigDropCm),
    bedEndCm: within(limits.rigBedEndCm),
  }),
})
