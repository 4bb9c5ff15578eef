import Joi from 'joi'
import { roles } from '../../rights'

/** The body of `person-added`. */
export const schema = Joi.object({
  name: Joi.string().min(1).max(120).required(),
  roles: Joi.array()
    .items(Joi.valid(...roles))
    .min(1)
    .required(),
})
