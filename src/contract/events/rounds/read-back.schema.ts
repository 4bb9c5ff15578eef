import Joi from 'joi'

/** The body of `read-back`. */
export const schema = Joi.object({
  what: Joi.string().min(1).max(300).required(),
  orderedBy: Joi.string().trim().min(1).max(120).required(),
})
