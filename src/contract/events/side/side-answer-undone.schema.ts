import Joi from 'joi'

/** The body of `side-answer-undone`. */
export const schema = Joi.object({})
