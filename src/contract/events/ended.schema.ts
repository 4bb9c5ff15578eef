import Joi from 'joi'
import { endingWays } from '../records/ending'
import { reason, text } from '../field-schemas'

const said = Joi.string().trim().min(2).max(300)

/** The body of `ended`. */
export const schema = Joi.object({
  how: Joi.valid(...endingWays).required(),
  note: Joi.when('how', { is: Joi.valid('voided', 'died'), then: reason, otherwise: text(500) }).required(),
  home: Joi.when('how', {
    is: 'home',
    then: Joi.object({
      helper: said.required(),
      stairs: Joi.valid('none', 'can', 'cannot').required(),
      phone: said.max(40).required(),
      callNumber: said.max(40).required(),
      walkingAid: Joi.valid('none', 'crutches', 'frame', 'wheelchair').required(),
      taughtBack: said.required(),
    }).required(),
    otherwise: Joi.forbidden(),
  }),
})
