import Joi from 'joi'
import { text } from '../../field-schemas'

/** The body of `confidential`. */
export const schema = Joi.object({ isConfidential: Joi.boolean().required(), reason: text(200).trim().min(3).required() })
