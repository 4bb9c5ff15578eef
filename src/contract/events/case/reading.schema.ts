import Joi from 'joi'
import { limits } from '#core/model/limits'
import { listMeasurementIds, measurementWords } from '#core/techniques/measurement-ids'
import { sides } from '#core/model/vocabulary'
import { skinGrades } from '#core/figures/body/measurements/neck'
import { toolIds, unitIds } from '#core/quantities/units'
import { text, uuid, within } from '../../field-schemas'

const wordedIds = listMeasurementIds().filter((id) => measurementWords(id) !== null)

/** The body of `reading`. */
export const schema = Joi.object({
  id: Joi.valid(...listMeasurementIds()).required(),
  side: Joi.valid(...sides),
  value: Joi.when('id', {
    is: Joi.valid(...wordedIds),
    then: Joi.valid(...skinGrades),
    otherwise: Joi.number().min(-10_000).max(10_000),
  }).required(),
  unit: Joi.when('id', { is: Joi.valid(...wordedIds), then: Joi.forbidden(), otherwise: Joi.valid(...unitIds).required() }),
  tool: Joi.valid(...toolIds),
  typed: text(60),
  posture: text(80),
  stepId: text(60),
  takenFor: text(40),
  occasion: text(40),
  confirmed: Joi.boolean(),
  supersedes: uuid,
  breadthCm: within(limits.breadthCm),
  planeCm: within(limits.planeCm),
})
