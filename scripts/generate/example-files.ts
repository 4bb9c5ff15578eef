import { readdirSync, readFileSync } from 'node:fs'
import type { CaseFile } from '../../tests/harness/cases/leg-slab-cases'

const folder = new URL('../../docs/formats/examples/', import.meta.url)

/** Names of the published example cases, without their ending. */
export const exampleNames: readonly string[] = readdirSync(folder)
  .filter((name) => name.endsWith('.case.json'))
  .map((name) => name.replace('.case.json', ''))

/** A published example case, fresh each time. */
export function exampleFile(name: string): CaseFile {
  return JSON.parse(readFileSync(new URL(`${name}.case.json`, folder), 'utf8')) as CaseFile
}

/** Where the approved sheet of an example lies. */
export function approvedPath(name: string): URL {
  return new URL(`../../tests/approved/${name}.txt`, import.meta.url)
}
