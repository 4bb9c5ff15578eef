import Joi from 'joi'
import { text } from '../../field-schemas'

const clock = Joi.string().pattern(/^([01]\d|2[0-3]):[0-5]\d$/, 'time such as 07:30')

/** The body of `rota-set`. */
export const schema = Joi.object({
  area: text(80).trim().required(),
  shifts: Joi.array()
    .items(
      Joi.object({
        role: Joi.string().trim().min(2).max(80).required(),
        name: Joi.string().trim().min(2).max(120).required(),
        from: clock.required(),
        until: clock.required(),
        days: Joi.array().items(Joi.number().integer().min(1).max(7)).unique().min(1).max(7).required(),
      }),
    )
    .max(100)
    .required(),
})
