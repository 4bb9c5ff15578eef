import Joi from 'joi'
import { heldThings } from '#core/model/held-thing'
import { stepRoles } from '#core/model/step-role'

/** Steps by what rules see of them; all else of a step is compared with the server's own. */
const step = Joi.object({
  id: Joi.string().max(60),
  roles: Joi.array().items(Joi.valid(...stepRoles)),
  holds: Joi.object({ what: Joi.valid(...heldThings), from: Joi.string().required(), to: Joi.string().required() })
    .unknown()
    .allow(null),
}).unknown()

const list = Joi.array().items(Joi.object().unknown()).required()

/** What is computed is compared with the server's own; here it has only to be a plan that everything can read. */
export const planSchema = Joi.object({
  format: Joi.valid('zesty-wren/plan').required(),
  technique: Joi.string().max(60).required(),
  options: Joi.object().unknown().required(),
  procedure: Joi.object({ steps: Joi.array().items(step).required() })
    .unknown()
    .required(),
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
