import Joi from 'joi'
import { receiptKinds } from '../../records/page'
import { text, uuid } from '../../field-schemas'

/** The body of `page-receipt`. */
export const schema = Joi.object({ pageId: uuid.required(), what: Joi.valid(...receiptKinds).required(), who: text(120).required() })
