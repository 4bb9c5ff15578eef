import Joi from 'joi'
import { text } from '../../field-schemas'
import { protocolSchema } from '../../protocol-schema'

/** The body of `protocol-drafted`. */
export const schema = Joi.object({ protocol: protocolSchema.required(), note: text(300).required() })
