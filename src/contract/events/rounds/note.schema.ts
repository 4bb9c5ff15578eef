import Joi from 'joi'

/** The body of `note`. */
export const schema = Joi.object({ text: Joi.string().min(1).max(2000).required() })
