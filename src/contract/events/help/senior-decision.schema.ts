import Joi from 'joi'
import { isItemOf, partIds } from '#core/rounds/item-ids'
import type { PartId } from '#core/rounds/look'
import { longestDecisionMin } from '#core/standing/rounds-standing'

/** The body of `senior-decision`. */
export const schema = Joi.object({
  by: Joi.string().trim().min(2).max(120).required(),
  part: Joi.valid(...partIds).required(),
  item: Joi.string().max(60).required(),
  what: Joi.string().trim().min(3).max(300).required(),
  forMin: Joi.number().integer().min(1).max(longestDecisionMin).required(),
}).custom((value: { part: PartId; item: string }, helpers) =>
  isItemOf(value.part, value.item) ? value : helpers.error('any.custom', { message: 'item' }),
)
