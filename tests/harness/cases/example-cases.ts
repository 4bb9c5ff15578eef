import { readFileSync } from 'node:fs'
import { techniques } from '#core/techniques/registry'
import type { CaseFile } from './leg-slab-cases'
import { root } from '../root'

const folder = new URL('docs/formats/examples/', root)

const texts = new Map<string, string>()

/** The published example of a technique, fresh each time. */
export function exampleOf(technique: string): CaseFile {
  const text = texts.get(technique) ?? readFileSync(new URL(`${technique}.case.json`, folder), 'utf8')
  texts.set(technique, text)
  return JSON.parse(text) as CaseFile
}

/** What the published example of a technique must come to, with how that was worked out where it is no plain figure. */
export function figuresOf(technique: string): Readonly<Record<string, { readonly value: number | string | null; readonly from?: string }>> {
  return JSON.parse(readFileSync(new URL(`../figures/${technique}.json`, folder), 'utf8')) as ReturnType<typeof figuresOf>
}

/** The published example, changed. */
export function changedExample(technique: string, change: (file: CaseFile) => void): CaseFile {
  const file = exampleOf(technique)
  change(file)
  return file
}

/** Ids of every technique. */
export const techniqueIds: readonly string[] = techniques.map((technique) => technique.id)
