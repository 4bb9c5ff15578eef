/** Machines may round the last places otherwise. */
const relative = 1e-6

/**
 * Where two worked answers differ: the path to each place, with what was wanted and what came.
 * @param most places at most
 */
export function differencesOf(wanted: unknown, came: unknown, most = 3): readonly string[] {
  const found: string[] = []
  walk(wanted, came, '', found, most)
  return found
}

function walk(wanted: unknown, came: unknown, path: string, found: string[], most: number): void {
  if (found.length >= most || isSame(wanted, came)) return
  if (isTree(wanted) && isTree(came)) {
    for (const key of new Set([...Object.keys(wanted), ...Object.keys(came)])) {
      walk(wanted[key], came[key], path ? `${path}/${key}` : key, found, most)
    }
  } else found.push(`${path}: ${said(came)} where it must be ${said(wanted)}`)
}

function isTree(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null
}

function isSame(wanted: unknown, came: unknown): boolean {
  if (typeof wanted !== 'number' || typeof came !== 'number') return Object.is(wanted, came)
  return Math.abs(wanted - came) <= relative * Math.max(1, Math.abs(wanted))
}

function said(value: unknown): string {
  return value === undefined ? 'nothing' : JSON.stringify(value).slice(0, 60)
}
