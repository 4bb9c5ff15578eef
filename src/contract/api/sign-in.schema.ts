import Joi from 'joi'

/** Name and password of a sign-in. */
export const signInSchema = Joi.object({
  name: Joi.string().trim().min(1).max(60).required(),
  password: Joi.string().min(1).max(200).required(),
})
