import Joi from 'joi'

/** The body of `page-asked`: who and when is all there is to say. */
export const schema = Joi.object({})
