import Joi from 'joi'
import { sides } from '#core/model/vocabulary'
import { foundOn } from '../../records/side'

/** The body of `side-answered`. */
export const schema = Joi.object({
  on: Joi.valid(...foundOn).required(),
  hurt: Joi.valid(...sides)
    .allow(null)
    .required(),
})
