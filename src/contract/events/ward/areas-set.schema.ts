import Joi from 'joi'

/** The body of `areas-set`. */
export const schema = Joi.object({
  areas: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().trim().min(2).max(60).required(),
        beds: Joi.array().items(Joi.string().trim().min(1).max(30)).unique().max(100).required(),
      }),
    )
    .unique('name', { ignoreUndefined: true })
    .max(60)
    .required(),
})
