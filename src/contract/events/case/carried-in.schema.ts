import Joi from 'joi'
import { uuid } from '../../field-schemas'

const mostReadings = 200

/** The body of `carried-in`. */
export const schema = Joi.object({
  fromCase: uuid.required(),
  readings: Joi.array()
    .items(Joi.object({ key: uuid.required() }).unknown(true))
    .min(1)
    .max(mostReadings)
    .required(),
})
