import Joi from 'joi'
import { uuid } from '../../field-schemas'

/** The body of `reading-withdrawn`. */
export const schema = Joi.object({ key: uuid.required() })
