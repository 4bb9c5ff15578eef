import { judgeCheck, problemsOfCheck, situationOfCheck, type PrintedRound } from '#core/files/judge-check'
import { readCheck } from '#core/files/read-check'
import { actionWords } from '#core/standing/action-words'
import type { Situation } from '#core/standing/what-now'
import { problemLine, readInput } from './read-input'

/**
 * Judges the rounds of a check file.
 * @returns 3 when something urgent stands after the last round, else 2 when there are problems, else 0
 */
export function runCheck(file: string, format: 'json' | 'text'): number {
  const input = readInput(file)
  if ('problem' in input) {
    process.stderr.write(problemLine(input.problem))
    return 2
  }
  const read = readCheck(input.data)
  const problems = problemsOfCheck(read)
  problems.forEach((problem) => process.stderr.write(problemLine(problem)))
  const rounds = judgeCheck(read)
  if (!rounds || !read.clinicalCase) return 2
  const situation = situationOfCheck(read.clinicalCase, read.isOn)
  process.stdout.write(
    format === 'text'
      ? rounds.map((round) => roundText(round, situation)).join('\n')
      : `${JSON.stringify({ format: 'zesty-wren/verdict', version: 1, rounds }, null, 2)}\n`,
  )
  if (rounds.at(-1)?.level === 'urgent') return 3
  return problems.length > 0 ? 2 : 0
}

function roundText(round: PrintedRound, situation: Situation): string {
  const lines = [`At ${round.atMin} min: ${headOf(round)}${round.complete ? '' : ' (incomplete, stays due)'}`]
  for (const one of round.findings) lines.push(`  ${one.part} ${one.item}: ${one.text} [${one.level}]`)
  if (!round.complete) lines.push(`  Not looked at: ${round.missing.join(', ')}`)
  for (const one of round.standing) lines.push(`  stands: ${one.id} ${one.level}, ${one.state}, since ${one.since} min`)
  for (const action of round.actions) lines.push(`  → ${actionWords(action, situation, [])}`)
  return `${lines.join('\n')}\n`
}

/** Nothing found in a round that left something out is not nothing. */
function headOf(round: PrintedRound): string {
  if (round.level !== 'none') return round.level.toUpperCase()
  return round.complete && round.standing.length === 0 ? 'No warning in what was entered' : 'Not everything was looked at'
}
