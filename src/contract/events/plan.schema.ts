import Joi from 'joi'

const list = Joi.array().items(Joi.object().unknown()).required()

/** What is computed is compared with the server's own; here it has only to be a plan that everything can read. */
export const planSchema = Joi.object({
  format: Joi.valid('zesty-wren/plan').required(),
  technique: Joi.string().max(60).required(),
  options: Joi.object().unknown().required(),
  procedure: Joi.object({ steps: list }).unknown().required(),
  geometry: Joi.object().unknown().required(),
  decisions: list,
  materials: list,
  cautions: list,
  fit: list,
  schedule: list,
  problems: list,
  pending: Joi.array().required(),
  care: Joi.array().items(Joi.string()).required(),
}).unknown()

/** The body of `plan`. */
export const schema = Joi.object({ plan: planSchema.required() })
