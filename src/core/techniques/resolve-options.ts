import type { ClinicalCase } from '../case/clinical-case'
import type { Problem } from '../case/problem'
import type { Protocol } from '../quantities/defaults'
import { optionValues, type OptionValues, type Technique, type TechniqueOption } from './technique'

/**
 * The option values a plan is made with: as chosen, else the local protocol's, else the technique's default.
 * @returns values by option id (an unanswered 'ask' or empty figure has none), and problems: `unknown-option`
 *   for an id or value that the technique does not have, `missing` for an unanswered 'ask'
 */
export function resolveOptions(
  technique: Technique,
  clinicalCase: ClinicalCase,
  protocol: Protocol,
): { values: OptionValues; problems: readonly Problem[] } {
  const values: Record<string, string | number> = {}
  const problems: Problem[] = []
  const ids = technique.options.map((option) => option.id)
  for (const id of Object.keys(clinicalCase.options)) {
    if (ids.includes(id)) continue
    problems.push({
      code: 'unknown-option',
      path: `options/${id}`,
      message: `${technique.name} has no option "${id}": use one of ${ids.join(', ')}.`,
    })
  }
  for (const option of technique.options) {
    const chosen = clinicalCase.options[option.id]
    const fallback = protocol.options[`${technique.id}/${option.id}`] ?? option.default(clinicalCase)
    if (chosen !== undefined) {
      const refusal = refuse(option, chosen, protocol)
      if (!refusal) {
        values[option.id] = chosen
        continue
      }
      problems.push({ code: 'unknown-option', path: `options/${option.id}`, message: refusal })
    }
    if (fallback === 'ask' && !option.values.some((value) => value.id === 'ask')) {
      problems.push({
        code: 'missing',
        path: `options/${option.id}`,
        message: `${option.label} has no default: choose ${option.values.map((value) => value.id).join(' or ')}.`,
      })
    } else if (fallback !== null) values[option.id] = fallback
  }
  return { values, problems }
}

function refuse(option: TechniqueOption, chosen: string | number, protocol: Protocol): string | null {
  if (option.figure) {
    const { least, greatest, unit } = option.figure
    const isInRange = typeof chosen === 'number' && chosen >= least && chosen <= greatest
    return isInRange ? null : `${option.label} takes a figure from ${least} to ${greatest} ${unit}, not "${chosen}".`
  }
  const values = optionValues(option, protocol)
  if (values.some((value) => value.id === chosen)) return null
  return `${option.label} cannot be "${chosen}": use ${values.map((value) => value.id).join(', ')}.`
}
