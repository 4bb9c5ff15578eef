import type { ClinicalCase } from '../model/clinical-case'
import type { Problem } from '../model/problem'
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
  const problems: Problem[] = [...refuseOptions(technique, clinicalCase.options, protocol)]
  for (const option of technique.options) {
    const chosen = clinicalCase.options[option.id]
    if (chosen !== undefined && !refuse(option, chosen, protocol)) {
      values[option.id] = chosen
      continue
    }
    const fallback =
      protocol.options[`${technique.id}/${option.id}`] ??
      protocol.options[option.protocolKey ?? ''] ??
      option.default(clinicalCase, protocol)
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

/** Chosen options that the technique does not have, or that cannot have such a value: problems `unknown-option`. */
export function refuseOptions(
  technique: Technique | null,
  chosen: Readonly<Record<string, string | number>>,
  protocol: Protocol,
): readonly Problem[] {
  if (!technique) return []
  return Object.entries(chosen).flatMap(([id, value]): Problem[] => {
    const option = technique.options.find((one) => one.id === id)
    const message = option
      ? refuse(option, value, protocol)
      : `${technique.name} has no option "${id}": use one of ${technique.options.map((one) => one.id).join(', ')}.`
    return message === null ? [] : [{ code: 'unknown-option', path: `options/${id}`, message }]
  })
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
