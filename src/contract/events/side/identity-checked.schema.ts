import Joi from 'joi'

/** The body of `identity-checked`. */
export const schema = Joi.object({ words: Joi.string().trim().min(1).max(160).required() })
