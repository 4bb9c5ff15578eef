import Joi from 'joi'
import { limits } from '#core/model/limits'
import { handPlaces } from '../records/run'

/** The body of `crew`. */
export const schema = Joi.object({
  members: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().trim().min(1).max(60).required(),
        place: Joi.valid(...handPlaces).required(),
      }),
    )
    .max(limits.people.greatest)
    .required(),
})
