import Joi from 'joi'

/** The body of `stock-imported`. */
export const schema = Joi.object({
  rows: Joi.number().integer().min(0).required(),
  sha256: Joi.string().hex().length(64).required(),
})
