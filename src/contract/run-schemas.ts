import Joi from 'joi'
import { timerKinds } from '#core/plan/step-work'
import { text, uuid } from './field-schemas'
import { angleTools, pullTools, stepOutcomes, strapMarks } from './records/run'

const id = Joi.string().max(60)
export const handPlaces = ['apply', 'hold-distal', 'hold-joint', 'hold-proximal', 'fetch'] as const
const pain = Joi.number().integer().min(0).max(10).allow(null)

/** Bodies of the events of a run. */
export const runSchemas = {
  'run-started': Joi.object({
    runId: uuid.required(),
    technique: Joi.valid('cast-opening'),
    options: Joi.object().pattern(Joi.string().max(40), Joi.alternatives(Joi.string().max(60), Joi.number())),
    isOpenNow: Joi.boolean(),
  }),
  'run-lease': Joi.object({ runId: uuid.required(), device: Joi.string().min(1).max(60).required() }),
  step: Joi.object({
    runId: uuid.required(),
    stepId: id.required(),
    outcome: Joi.valid(...stepOutcomes).required(),
    reason: text(300).required(),
  }),
  timer: Joi.object({
    runId: uuid.required(),
    timerId: id.required(),
    label: text(60).required(),
    minutes: Joi.number().greater(0).max(10_000).required(),
    kind: Joi.valid(...timerKinds),
    until: id,
  }),
  'timer-ended': Joi.object({ runId: uuid.required(), timerId: id.required() }),
  angle: Joi.object({
    runId: uuid.required(),
    stepId: id.required(),
    angleId: id.required(),
    deg: Joi.number().min(-180).max(180).required(),
    tool: Joi.valid(...angleTools).required(),
  }),
  pull: Joi.object({
    runId: uuid.required(),
    stepId: id.required(),
    kg: Joi.number().min(0).max(40).allow(null).required(),
    painBefore: pain.required(),
    painAfter: pain.required(),
    isEqualLength: Joi.boolean().required(),
    tool: Joi.valid(...pullTools).required(),
  }),
  strap: Joi.object({
    runId: uuid.required(),
    stepId: id.required(),
    strapId: id.required(),
    mark: Joi.valid(...strapMarks).required(),
    reason: text(300).required(),
  }),
  trouble: Joi.object({
    runId: uuid.allow(null).required(),
    stepId: id.allow(null).required(),
    troubleId: id.required(),
    label: Joi.string().min(1).max(120).required(),
    note: text(500).required(),
  }),
  crew: Joi.object({
    members: Joi.array()
      .items(
        Joi.object({
          name: Joi.string().trim().min(1).max(60).required(),
          place: Joi.valid(...handPlaces).required(),
        }),
      )
      .max(12)
      .required(),
  }),
  'hand-over': Joi.object({
    runId: uuid.required(),
    place: Joi.valid(...handPlaces).required(),
    from: text(60).required(),
    to: Joi.string().trim().min(1).max(60).required(),
  }),
  'read-back': Joi.object({ what: Joi.string().min(1).max(300).required(), orderedBy: Joi.string().trim().min(1).max(120).required() }),
  opened: Joi.object({ runId: uuid.required() }),
}
