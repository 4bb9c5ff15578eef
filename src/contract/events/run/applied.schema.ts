import Joi from 'joi'

/** Two weeks, min. */
const longestAgoMin = 14 * 24 * 60

/** The body of `applied`. */
export const schema = Joi.object({
  found: Joi.object({
    what: Joi.string().trim().min(3).max(200).required(),
    minutesAgo: Joi.number().integer().min(0).max(longestAgoMin).allow(null).required(),
  }),
})
