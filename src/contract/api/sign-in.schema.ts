import Joi from 'joi'
import { pinPattern, recoveryPattern, secondCodePattern } from './session'

const secondCode = Joi.string().pattern(secondCodePattern, 'code of six digits')

/** Name and password of a sign-in. */
export const signInSchema = Joi.object({
  name: Joi.string().trim().min(1).max(60).required(),
  password: Joi.string().min(1).max(200).required(),
  code: Joi.string().pattern(
    new RegExp(`${secondCodePattern.source}|${recoveryPattern.source}`, 'i'),
    'code of six digits, or a recovery code',
  ),
})

/** The short PIN of a session. */
export const pinSchema = Joi.object({
  pin: Joi.string().pattern(pinPattern, 'PIN of 4 to 8 digits').required(),
})

/** An entry as a device sealed it, in base64. */
export const sealedSchema = Joi.object({
  sealed: Joi.string().base64().min(380).max(1_000_000).required(),
})

/** The password again, before a second factor is set up. */
export const passwordSchema = Joi.object({ password: Joi.string().min(1).max(200).required() })
/** The first code of an app that was set up. */
export const secondCodeSchema = Joi.object({ code: secondCode.required() })
