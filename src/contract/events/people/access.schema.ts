import Joi from 'joi'
import { roles } from '../../rights'
import { accessChanges } from './access'

/** The body of `access`. */
export const schema = Joi.object({
  change: Joi.valid(...accessChanges).required(),
  roles: Joi.array()
    .items(Joi.valid(...roles))
    .min(1),
})
