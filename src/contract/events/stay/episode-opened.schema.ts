import Joi from 'joi'
import { text, uuid, zone } from '../../field-schemas'
import { schema as patientSchema } from './patient.schema'

/** The body of `episode-opened`. */
export const schema = Joi.object({ patientId: uuid.required(), place: text(80).required(), zone: zone.required(), patient: patientSchema })
