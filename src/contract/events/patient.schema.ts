import Joi from 'joi'
import { text } from '../field-schemas'

/** The body of `patient`. */
export const schema = Joi.object({
  name: text(120).required(),
  isTemporary: Joi.boolean().required(),
  born: text(30).required(),
  number: text(40).required(),
  ageYears: Joi.number().min(0).max(130).allow(null).required(),
  isAgeEstimated: Joi.boolean().required(),
  sex: text(20).required(),
  heightCm: Joi.number().min(30).max(260).allow(null).required(),
  massKg: Joi.number().min(0.3).max(650).allow(null).required(),
  isMassEstimated: Joi.boolean().required(),
})
