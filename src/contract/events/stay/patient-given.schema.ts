import Joi from 'joi'
import { text } from '../../field-schemas'

/** Lines of the receiver's card as a side of a hand-over saw them. */
export const toldLines = Joi.array().items(text(600)).max(60).required()

/** The body of `patient-given`. */
export const schema = Joi.object({ to: text(120).required(), told: toldLines })
