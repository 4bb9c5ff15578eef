import Joi from 'joi'
import { techniques } from '#core/techniques/registry'

/** The body of `technique`. */
export const schema = Joi.object({ technique: Joi.valid(...techniques.map((technique) => technique.id)).required() })
