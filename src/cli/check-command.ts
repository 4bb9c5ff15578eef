import { actionTexts } from '#core/model/finding'
import { judgeRounds, type RoundVerdict } from '#core/rounds/judge-rounds'
import { readCheck } from '#core/files/read-check'
import { findTechnique } from '#core/techniques/registry'
import { problemLine, readInput } from './read-input'

/**
 * Judges the rounds of a check file.
 * @returns 3 when the last round is urgent, else 2 when there are problems, else 0
 */
export function runCheck(file: string, format: 'json' | 'text'): number {
  const input = readInput(file)
  if ('problem' in input) {
    process.stderr.write(problemLine(input.problem))
    return 2
  }
  const { clinicalCase, rounds, problems } = readCheck(input.data)
  problems.forEach((problem) => process.stderr.write(problemLine(problem)))
  const technique = clinicalCase && findTechnique(clinicalCase.technique)
  if (!clinicalCase || !technique) return 2
  const verdicts = judgeRounds(clinicalCase, rounds, technique.onUrgent.device)
  const printed = verdicts.map(({ atMin, level, complete, findings, actions, againMin }) => ({
    atMin,
    level,
    complete,
    findings,
    actions,
    againMin,
  }))
  process.stdout.write(
    format === 'text'
      ? verdicts.map(verdictText).join('\n')
      : `${JSON.stringify({ format: 'zesty-wren/verdict', version: 1, rounds: printed }, null, 2)}\n`,
  )
  if (verdicts.at(-1)?.level === 'urgent') return 3
  return problems.length > 0 ? 2 : 0
}

function verdictText(verdict: RoundVerdict): string {
  const head = verdict.level === 'none' ? 'No warning in what was entered' : verdict.level.toUpperCase()
  const lines = [`At ${verdict.atMin} min: ${head}${verdict.complete ? '' : ' (incomplete, stays due)'}`]
  for (const finding of verdict.findings) lines.push(`  ${finding.side ?? ''} ${finding.item}: ${finding.text} [${finding.level}]`)
  for (const action of verdict.actions) lines.push(`  → ${actionTexts[action]}`)
  return `${lines.join('\n')}\n`
}
