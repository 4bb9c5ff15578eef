import Joi from 'joi'
import { deviceChanges } from './after-change'

/** The body of `after-change`. */
export const schema = Joi.object({ what: Joi.valid(...deviceChanges).required() })
