import Joi from 'joi'

/** The body of `plan-dropped`. */
export const schema = Joi.object({})
