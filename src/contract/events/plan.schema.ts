import Joi from 'joi'

/** The body of `plan`. */
export const schema = Joi.object({
  plan: Joi.object({ format: Joi.valid('zesty-wren/plan').required(), pending: Joi.array().required() })
    .unknown()
    .required(),
})
