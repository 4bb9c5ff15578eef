import Joi from 'joi'

/** The body of `applied`. */
export const schema = Joi.object({})
