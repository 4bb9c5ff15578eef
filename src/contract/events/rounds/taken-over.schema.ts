import Joi from 'joi'

/** The body of `taken-over`. */
export const schema = Joi.object({})
