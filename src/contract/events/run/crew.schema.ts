import Joi from 'joi'
import { limits } from '#core/model/limits'
import { handGrips } from '../../records/run'

/** The body of `crew`. */
export const schema = Joi.object({
  members: Joi.array()
    .items(
      Joi.object({
        name: Joi.string().trim().min(1).max(60).required(),
        place: Joi.valid(...handGrips).required(),
      }),
    )
    .max(limits.people.greatest)
    .required(),
})
