import { readFileSync } from 'node:fs'
import { techniques } from '#core/techniques/registry'
import type { CaseFile } from './leg-slab-cases'

const folder = new URL('../../docs/formats/examples/', import.meta.url)

/** The published example of a technique, fresh each time. */
export function exampleOf(technique: string): CaseFile {
  return JSON.parse(readFileSync(new URL(`${technique}.case.json`, folder), 'utf8')) as CaseFile
}

/** The published example, changed. */
export function changedExample(technique: string, change: (file: CaseFile) => void): CaseFile {
  const file = exampleOf(technique)
  change(file)
  return file
}

/** Ids of every technique. */
export const techniqueIds: readonly string[] = techniques.map((technique) => technique.id)
