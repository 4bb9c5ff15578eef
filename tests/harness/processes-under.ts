import { readFileSync, readdirSync } from 'node:fs'

/** Process ids of everything that runs under a process now, children of children too. */
export function processesUnder(root: number): readonly number[] {
  const parents = new Map<number, number>()
  for (const name of readdirSync('/proc')) {
    if (!/^\d+$/.test(name)) continue
    try {
      const status = readFileSync(`/proc/${name}/stat`, 'utf8')
      parents.set(Number(name), Number(status.slice(status.lastIndexOf(')') + 2).split(' ')[1]))
    } catch {
      // It ended while it was read.
    }
  }
  const isUnder = (pid: number): boolean => {
    for (let at = parents.get(pid); at !== undefined && at > 1; at = parents.get(at)) if (at === root) return true
    return false
  }
  return [...parents.keys()].filter(isUnder)
}
