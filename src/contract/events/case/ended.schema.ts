import Joi from 'joi'
import { endingWays, type EndingBody } from '../../records/ending'
import { leastReason, refuseAt, text } from '../../field-schemas'

const said = Joi.string().trim().min(2).max(300)
/** Ways that are not entered without a word. */
const wordy = ['voided', 'died']

/** The body of `ended`. */
export const schema = Joi.object({
  how: Joi.valid(...endingWays).required(),
  note: text(500).required(),
  home: Joi.object({
    helper: said.required(),
    stairs: Joi.valid('none', 'can', 'cannot').required(),
    phone: said.max(40).required(),
    callNumber: said.max(40).required(),
    walkingAid: Joi.valid('none', 'crutches', 'frame', 'wheelchair').required(),
    taughtBack: said.required(),
  }),
}).custom((body: EndingBody, helpers) => {
  if (wordy.includes(body.how) && body.note.trim().length < leastReason) return refuseAt(helpers, 'note', 'string.min', leastReason)
  if (body.how === 'home' && body.home === undefined) return refuseAt(helpers, 'home', 'any.required')
  if (body.how !== 'home' && body.home !== undefined) return refuseAt(helpers, 'home', 'any.unknown')
  return body
})
