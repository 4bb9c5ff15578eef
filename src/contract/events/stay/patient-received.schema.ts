import Joi from 'joi'
import { toldLines } from './patient-given.schema'

/** The body of `patient-received`. */
export const schema = Joi.object({ told: toldLines, withoutWords: Joi.valid(true) })
