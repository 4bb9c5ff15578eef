import Joi from 'joi'
import { protocolSchema } from '../../protocol-schema'

/** The body of `protocol`. */
export const schema = Joi.object({ protocol: protocolSchema.required() })
