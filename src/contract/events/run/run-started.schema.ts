import Joi from 'joi'
import { techniques } from '#core/techniques/registry'
import { optionsSchema, reason, shortId, uuid } from '../../field-schemas'
import { planSchema } from '../planning/plan.schema'

/** The body of `run-started`. */
export const schema = Joi.object({
  runId: uuid.required(),
  device: Joi.string().min(1).max(60),
  technique: Joi.valid(...techniques.filter((technique) => technique.opensCasts).map((technique) => technique.id)),
  options: optionsSchema,
  isOpenNow: Joi.boolean(),
  plan: planSchema,
  withoutPlan: reason,
  isAdjustment: Joi.valid(true),
  isTakingOff: Joi.valid(true),
  isAgain: Joi.valid(true),
  care: Joi.object({ taskId: shortId.required(), text: Joi.string().max(300).required() }),
})
