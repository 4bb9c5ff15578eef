import { readFileSync } from 'node:fs'
import type { Problem } from '#core/model/problem'

/** Parsed JSON, or the one problem that kept it from being read. */
export type ReadInput = { readonly data: unknown } | { readonly problem: Problem }

/**
 * Reads a JSON file, or standard input for `-`.
 * @returns a `format` problem for a file that is not there, not readable, or not JSON
 */
export function readInput(file: string): ReadInput {
  try {
    const text = readFileSync(file === '-' ? 0 : file, 'utf8').replace(/^\uFEFF/, '')
    return { data: JSON.parse(text) as unknown }
  } catch (error) {
    const reason =
      error instanceof SyntaxError
        ? `is not JSON (${error.message})`
        : `cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown reason'})`
    return {
      problem: {
        code: 'format',
        path: '',
        message: `${file === '-' ? 'Standard input' : file} ${reason}: give a case file as docs/formats describes it.`,
      },
    }
  }
}

/** One problem as a line for standard error: code, path, message. */
export function problemLine(problem: Problem): string {
  return `${problem.code} ${problem.path || '.'} ${problem.message}\n`
}
