import { missingIn } from '../../parts/required'

const most = 100_000

/** A typed count as a whole number, or what is wrong with it. */
export function readCount(typed: string): number | string {
  const text = typed.trim()
  const missing = missingIn('count', { count: text })
  if (missing) return missing
  if (!/^\d+$/.test(text)) return `"${text}" is not a count: type a whole number, such as 7.`
  const count = Number(text)
  return count > most ? `${text} is too many: ${most} is the most.` : count
}
