import Joi from 'joi'
import { DateTime, IANAZone } from 'luxon'
import type { Limits } from '#core/model/limits'

// Fields that many bodies have, each in its one form.

/** A UUID as it is kept and compared: lower case, with hyphens, nothing around it. */
export const uuid = Joi.string().pattern(/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/, 'id such as 01a21089-7e89-7d7d-8dbd-a7fc9a943fe8')

/** A figure within its limits. */
export const within = ({ least, greatest }: Limits): Joi.NumberSchema => Joi.number().min(least).max(greatest)

/** Words of at most so many letters, empty ones too. */
export const text = (most: number): Joi.StringSchema => Joi.string().allow('').max(most)

/** Why somebody did something. */
export const leastReason = 3
export const reason = Joi.string().trim().min(leastReason).max(500)

/** Refuses one field of a body for what another one says, under its own name. */
export function refuseAt(helpers: Joi.CustomHelpers, field: string, code: string, limit?: number): Joi.ErrorReport {
  const { state } = helpers
  const own = { ...state, path: [...(state.path ?? []), field] }
  return helpers.error(code, limit === undefined ? {} : { limit }, own as Joi.State)
}

const isInReach = (moment: DateTime): boolean => moment.isValid && moment.year >= 1900 && moment.year <= 2200

/** RFC 3339, its seconds may be left out; no place on earth is further than 14 hours from UTC. */
const rfc3339 = /^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d(:[0-5]\d(\.\d{1,9})?)?(Z|[+-](0\d|1[0-3]):[0-5]\d|[+-]14:00)$/

/** Whether a moment is one that the calendar has, within a lifetime of now, and that both readers of times in this program read alike. */
export function isInstant(value: string): boolean {
  if (!rfc3339.test(value)) return false
  const moment = DateTime.fromISO(value, { setZone: true })
  return isInReach(moment) && moment.toMillis() === Date.parse(value)
}

/** A moment that the calendar has, RFC 3339 with its offset, within a lifetime of now. */
export const instant = Joi.string()
  .max(40)
  .custom((value: string, helpers) => (isInstant(value) ? value : helpers.error('string.isoDate')))

/** A day that the calendar has, such as 2027-03-31. */
export const day = Joi.string()
  .pattern(/^\d{4}-\d{2}-\d{2}$/, 'date such as 2027-03-31')
  .custom((value: string, helpers) => (isInReach(DateTime.fromISO(value)) ? value : helpers.error('string.day')))

/** A time zone that there is, by its IANA name. */
export const zone = Joi.string()
  .max(60)
  .custom((value: string, helpers) => (IANAZone.isValidZone(value) ? value : helpers.error('string.zone')))

/** Greatest whole number that a version, a base or a count may be: what the database keeps. */
export const greatestInteger = 2_147_483_647

/** The id of a step, a timer, a strap: words of a technique. */
export const shortId = Joi.string().max(60)

/** Chosen options by their ids. */
export const optionsSchema = Joi.object().pattern(/^.{1,40}$/, Joi.alternatives(Joi.string().max(60), Joi.number()))

/** How much of one lot there can be. */
export const mostOfALot = 100_000

/** So many of an item, one at least. */
export const some = Joi.number().integer().min(1).max(mostOfALot)
