import Joi from 'joi'
import { shortId, uuid } from '../../field-schemas'

/** The body of `timer-ended`. */
export const schema = Joi.object({ runId: uuid.required(), timerId: shortId.required(), troubleEvent: uuid })
