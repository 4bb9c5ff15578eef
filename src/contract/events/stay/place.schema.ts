import Joi from 'joi'

/** The body of `place`. */
export const schema = Joi.object({ place: Joi.string().min(1).max(80).required(), isTransfer: Joi.valid(true) })
