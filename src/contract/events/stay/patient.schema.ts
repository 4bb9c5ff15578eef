import Joi from 'joi'
import { skinTones } from '../../records/episode'
import { limits } from '#core/model/limits'
import { text, within } from '../../field-schemas'

/** The body of `patient`. */
export const schema = Joi.object({
  name: text(120).required(),
  isTemporary: Joi.boolean().required(),
  born: text(30).required(),
  number: text(40).required(),
  ageYears: within(limits.ageYears).allow(null).required(),
  isAgeEstimated: Joi.boolean().required(),
  sex: text(20).required(),
  heightCm: within(limits.heightCm).allow(null).required(),
  massKg: within(limits.massKg).allow(null).required(),
  isMassEstimated: Joi.boolean().required(),
  skinTone: Joi.valid(...skinTones),
})
