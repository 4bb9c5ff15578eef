import Joi from 'joi'
import { placeKinds } from '../../records/store'

/** The body of `place-opened`. */
export const schema = Joi.object({ name: Joi.string().trim().min(1).max(80).required(), kind: Joi.valid(...placeKinds).required() })
