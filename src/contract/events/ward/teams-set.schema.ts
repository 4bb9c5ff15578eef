import Joi from 'joi'

/** The body of `teams-set`. */
export const schema = Joi.object({
  teams: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().trim().min(2).max(60).required(),
        areas: Joi.array().items(Joi.string().trim().min(2).max(60)).unique().max(60).required(),
      }),
    )
    .unique('name', { ignoreUndefined: true })
    .max(40)
    .required(),
})
