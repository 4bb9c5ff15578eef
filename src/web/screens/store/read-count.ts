const most = 100_000

/** A typed count as a whole number, or what is wrong with it. */
export function readCount(typed: string): number | string {
  const text = typed.trim()
  if (text === '') return 'The count is missing: type how many there are.'
  if (!/^\d+$/.test(text)) return `"${text}" is not a count: type a whole number, such as 7.`
  const count = Number(text)
  return count > most ? `${text} is too many: ${most} is the most.` : count
}
