import Joi from 'joi'
import { actionIds } from '#core/model/action'
import { text } from '../../field-schemas'

/** The body of `response`. */
export const schema = Joi.object({
  action: Joi.valid(...actionIds).required(),
  outcome: Joi.valid('done', 'not-done').required(),
  why: text(300).required(),
}).custom((value: { outcome: string; why: string }, helpers) =>
  value.outcome === 'not-done' && value.why.trim().length < 3 ? helpers.error('any.custom', { message: 'why' }) : value,
)
