import Joi from 'joi'
import { patientFlags } from '#core/model/vocabulary'

/** The body of `flags`. */
export const schema = Joi.object({
  flags: Joi.array()
    .items(Joi.valid(...patientFlags))
    .unique()
    .required(),
})
