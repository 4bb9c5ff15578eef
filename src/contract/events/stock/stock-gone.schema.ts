import Joi from 'joi'

/** The body of `stock-gone`. */
export const schema = Joi.object({
  place: Joi.string().max(80).required(),
  items: Joi.array().items(Joi.string().max(120)).min(1).max(60).required(),
})
