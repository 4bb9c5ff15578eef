import { DateTime } from 'luxon'
import { limits } from '#core/model/limits'

/** An age from a date of birth, or why that date cannot be. */
export type AgeFromBirth = { readonly ageYears: number } | { readonly problem: string }

const tenths = 10

/**
 * Years from a date of birth to now: whole from 2 years on, to a tenth before.
 * @param born as typed, `1985-03-02`; anything else is a problem with its remedy
 * @param now ISO time
 * @param zone of the house, in which the day changes
 * @returns null where no date is given
 */
export function ageFromBirth(born: string, now: string, zone: string): AgeFromBirth | null {
  const typed = born.trim()
  if (typed === '') return null
  const date = /^\d{4}-\d{2}-\d{2}$/.test(typed) ? DateTime.fromISO(typed, { zone }) : null
  if (!date?.isValid) return { problem: `Date of birth is no day there is: type year, month and day like 1985-03-02.` }
  const years = DateTime.fromISO(now, { zone }).diff(date, 'years').years
  if (years < 0) return { problem: 'Date of birth lies in the future: check the year.' }
  if (years > limits.ageYears.greatest)
    return { problem: `Date of birth makes the patient ${Math.floor(years)} years old: check the year.` }
  return { ageYears: years < 2 ? Math.floor(years * tenths) / tenths : Math.floor(years) }
}
