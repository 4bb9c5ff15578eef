import Joi from 'joi'
import { personRoles } from '../rights'
import { hiddenSigns, isOneScript, isReservedName } from '../person-name'
import { signInForm, signInPattern } from '../sign-in-name'
import { personActions } from './people'

const someRoles = Joi.array()
  .items(Joi.valid(...personRoles))
  .min(1)
  .unique()
  .required()

/** What holds of every name of a person: nobody is taken for somebody else, or for the program. */
function plainName(name: string, helpers: Joi.CustomHelpers): string | Joi.ErrorReport {
  const refuse = (what: string): Joi.ErrorReport => helpers.error('string.pattern.name', { name: what })
  if (hiddenSigns.test(name)) return refuse('name without hidden signs')
  if (!isOneScript(name)) return refuse('name in letters of one script')
  return isReservedName(name) ? refuse('name of a person: the program itself goes by this one') : name
}

/** A person who is to be added. */
export const newPersonSchema = Joi.object({
  name: Joi.string()
    .pattern(/^(?!unattributed@)[^]*\S\s*\S/i, 'name of a person')
    .min(2)
    .max(120)
    .custom(plainName)
    .required(),
  signIn: Joi.string()
    .custom((typed: string) => signInForm(typed))
    .pattern(signInPattern, 'name of 2 to 40 letters, digits, dots or hyphens')
    .custom(plainName)
    .required(),
  roles: someRoles,
})
export const rolesSchema = Joi.object({ roles: someRoles })
export const personActionSchema = Joi.object({
  action: Joi.valid(...personActions).required(),
  // Which one, where one session is ended.
  session: Joi.string()
    .pattern(/^[0-9a-f]{64}$/, 'id of a session')
    .when('action', { is: 'end-session', then: Joi.required(), otherwise: Joi.forbidden() }),
})

/** One of one's own sessions, to be ended. */
export const ownSessionSchema = Joi.object({
  session: Joi.string()
    .pattern(/^[0-9a-f]{64}$/, 'id of a session')
    .required(),
})

/** A password that somebody chooses; long beats strange. */
export const passwordChangeSchema = Joi.object({
  current: Joi.string().min(1).max(200).required(),
  next: Joi.string().min(10).max(200).required(),
})

/** What a device that is to be paired is called. */
export const pairingSchema = Joi.object({
  name: Joi.string()
    .trim()
    .pattern(/^[\p{L}\p{N}][\p{L}\p{N} ._-]{1,39}$/u, 'name of 2 to 40 letters, digits or spaces')
    .required(),
})

/** An address that strangers are shut out at. */
export const addressSchema = Joi.object({ address: Joi.string().trim().min(2).max(60).required() })
