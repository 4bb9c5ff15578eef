export const problemCodes = [
  'third-reading',
  'missing',
  'implausible',
  'format',
  'out-of-range',
  'unknown-technique',
  'unknown-option',
  'unknown-flag',
  'unknown-unit',
  'unknown-measurement',
  'unknown-field',
] as const
export type ProblemCode = (typeof problemCodes)[number]

/** Something in the input that needs the person who typed it: where it stands, what is wrong, what to do. */
export interface Problem {
  readonly code: ProblemCode
  /** Slash path into the case file; readings of one measurement are `measurements/<id>`. */
  readonly path: string
  /** One sentence that names the field, the reason and the remedy. */
  readonly message: string
}

/**
 * Whether a problem means the input could not be read at all (refused by the server with 422), as
 * opposed to readable but clinically doubtful (stored, marked and answered with problems).
 */
export function isMalformed(problem: Problem): boolean {
  return problem.code === 'format' || problem.code === 'out-of-range' || problem.code.startsWith('unknown-')
}
