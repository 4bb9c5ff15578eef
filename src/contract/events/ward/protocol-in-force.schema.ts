import Joi from 'joi'
import { instant } from '../../field-schemas'

/** The body of `protocol-in-force`. */
export const schema = Joi.object({ draftedAt: instant.required() })
