import { readCase } from '#core/files/read-case'
import { unusedReadings } from '#core/techniques/unused-readings'
import { planCase } from '#core/techniques/plan-case'
import { createCliContext } from './context'
import { problemLine, readInput } from './read-input'

/**
 * Says what is wrong with case files, a line per problem on standard error and a summary per file.
 * @returns 0 when every file is without problems, else 2
 */
export function runValidate(files: readonly string[]): number {
  const ctx = createCliContext()
  let exit = 0
  for (const file of files) {
    const input = readInput(file)
    const read = 'problem' in input ? { clinicalCase: null, problems: [input.problem] } : readCase(input.data)
    const problems = read.clinicalCase
      ? (planCase(read.clinicalCase, ctx, [...read.problems, ...unusedReadings(read.clinicalCase, ctx)])?.problems ?? read.problems)
      : read.problems
    problems.forEach((problem) => process.stderr.write(problemLine(problem)))
    process.stdout.write(`${JSON.stringify({ file, valid: problems.length === 0, problems })}\n`)
    if (problems.length > 0) exit = 2
  }
  return exit
}
