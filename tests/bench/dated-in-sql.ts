/** Dated words as `datedWords` makes them, of two columns; a word that stands twice stands twice here, which finds the same. */
export function datedInSql(search: string, openedAt: string): string {
  const words = `REGEXP_REPLACE(${search}, '[^\\\\p{L}\\\\p{N}]+', ' ')`
  return `REGEXP_REPLACE(${words}, '([^ ]+)', CONCAT('y', DATE_FORMAT(${openedAt}, '%y'), '\\\\1'))`
}
