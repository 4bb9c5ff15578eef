import { readCase } from '#core/files/read-case'
import { injuryFlags, patientFlags, swellings } from '#core/model/vocabulary'
import type { Plan } from '#core/model/plan'
import { planCase } from '#core/techniques/plan-case'
import { defaultProtocol } from '#core/quantities/defaults'
import { findTechnique } from '#core/techniques/registry'
import { optionValues, type Technique } from '#core/planner/technique'
import { planFile, testContext, type CaseFile } from '../../tests/harness/cases/leg-slab-cases'
import { planSheet } from './plan-sheet'

interface Variant {
  readonly name: string
  readonly file: CaseFile
}

/** An example plan in full, then what changes in it with each option, flag of patient and injury, grade of swelling, age and crew. */
export function approvedSheet(file: CaseFile): string {
  const technique = techniqueOf(file)
  const base = [
    ...measureLines(file, planFile(file)),
    ...planSheet(planFile(file)),
    ...technique.onUrgent.actions.map((action) => `urgent: ${action}`),
    ...technique.troubles.map(
      (trouble) =>
        `trouble ${trouble.id}${trouble.level === 'none' ? '' : `, ${trouble.level}${trouble.item ? ` on ${trouble.item}` : ''}`}: ${trouble.label} | ${trouble.actions.join(' ')}`,
    ),
  ]
  const quick = outcomeOf(file)
  const changes = variantsOf(file).flatMap(({ name, file: changed }) => {
    const sheet = outcomeOf(changed)
    const less = without(quick, sheet).map((line) => `- ${line}`)
    const more = without(sheet, quick).map((line) => `+ ${line}`)
    return less.length + more.length === 0 ? [] : ['', `== ${name}`, ...less, ...more]
  })
  return `${[...base, ...changes].join('\n')}\n`
}

function variantsOf(file: CaseFile): readonly Variant[] {
  const options = techniqueOf(file).options.flatMap((option) =>
    optionValues(option, defaultProtocol)
      .filter(({ id }) => file.options[option.id] !== id)
      .map(({ id }): Variant => ({ name: `option ${option.id} ${id}`, file: { ...file, options: { ...file.options, [option.id]: id } } })),
  )
  const patient = (name: string, change: object): Variant => ({ name, file: { ...file, patient: { ...file.patient, ...change } } })
  const injury = (name: string, change: object): Variant => ({ name, file: { ...file, injury: { ...file.injury, ...change } } })
  return [
    ...options,
    ...patientFlags.map((flag) => patient(`flag ${flag}`, { flags: [...(file.patient['flags'] as string[]), flag] })),
    ...injuryFlags.map((flag) => injury(`injury ${flag}`, { flags: [...(file.injury['flags'] as string[]), flag] })),
    ...swellings.filter((swelling) => swelling !== file.injury['swelling']).map((swelling) => injury(`swelling ${swelling}`, { swelling })),
    patient('a child of 6', { ageYears: 6, heightCm: 116, massKg: 21 }),
    patient('88 years old', { ageYears: 88 }),
    patient('130 kg', { massKg: 130 }),
    { name: 'alone', file: { ...file, crew: { people: 1 } } },
  ]
}

/** What a case comes to, without how: no working lines, none of the two slow decisions. */
function outcomeOf(file: CaseFile): readonly string[] {
  const { clinicalCase, problems } = readCase(file)
  const plan = clinicalCase && planCase(clinicalCase, testContext(), problems)
  if (!plan) throw new Error(`not a case: ${JSON.stringify(problems)}`)
  return [...measureLines(file, plan), ...planSheet(plan).filter((line) => !/^ {2}\S+ (from|by) /.test(line))]
}

/** What is asked to be measured, and in which words. */
function measureLines(file: CaseFile, plan: Plan): readonly string[] {
  const { clinicalCase } = readCase(file)
  if (!clinicalCase) return []
  return techniqueOf(file)
    .measurements(clinicalCase, plan.options)
    .map(
      ({ definition, need }) =>
        `measure ${definition.id}, ${need}, side ${definition.sideRule}: ${definition.landmarks}. ${definition.posture}`,
    )
}

function techniqueOf(file: CaseFile): Technique {
  const technique = findTechnique(String(file['technique']))
  if (!technique) throw new Error(`no technique ${String(file['technique'])}`)
  return technique
}

/** Lines of one sheet that the other does not have as often. */
export function without(lines: readonly string[], other: readonly string[]): readonly string[] {
  const left = new Map<string, number>()
  for (const line of other) left.set(line, (left.get(line) ?? 0) + 1)
  return lines.filter((line) => {
    const count = left.get(line) ?? 0
    left.set(line, count - 1)
    return count <= 0
  })
}
