import Joi from 'joi'
import { askedFlags } from '#core/model/flag-words'
import { uuid } from '../../field-schemas'

/** The body of `asked`. */
export const schema = Joi.object({
  injuryId: uuid.required(),
  questions: Joi.array()
    .items(Joi.valid(...askedFlags, 'swelling'))
    .min(1)
    .unique()
    .required(),
})
