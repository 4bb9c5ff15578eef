import { limits } from '../model/limits'
import { toolIds, unitIds } from '../quantities/units'
import type { ClinicalCase, Environment, Injury, Measurement, Overrule, Patient } from '../model/clinical-case'
import type { ReadingTool, ReadingUnit } from '../quantities/units'
import type { Problem } from '../model/problem'
import { readDevice } from './read-device'
import { refuseOtherSchemas } from './file-schemas'
import { createFieldReader, type FieldReader } from './field-reader'
import { readOrders } from './read-orders'
import { readRig } from './read-rig'
import { readStock } from './read-stock'
import { injuryFlags, isColumnRegion, patientFlags, patterns, regions, sides, swellings } from '../model/vocabulary'
import { parseReading } from '../quantities/parse-reading'
import { listMeasurementIds, measurementWords } from '../techniques/measurement-ids'
import { findTechnique, techniques } from '../techniques/registry'

export interface ReadCase {
  /** Null when the file cannot be planned at all: not this format and version, or no known technique. */
  readonly clinicalCase: ClinicalCase | null
  readonly problems: readonly Problem[]
}

/**
 * Reads an unknown value as a case file. Every fault is reported at once; what is readable is kept, so that
 * a plan can still be made from the rest.
 * @param data parsed JSON of any shape
 */
export function readCase(data: unknown): ReadCase {
  const problems: Problem[] = []
  const file = createFieldReader(data, '', problems)
  if (!file)
    return {
      clinicalCase: null,
      problems: [formatProblem('', 'The file is not a JSON object: write a case as docs/formats describes it.')],
    }
  if (file.raw('format') !== 'zesty-wren/case' || file.raw('version') !== 1) {
    const path = file.raw('format') !== 'zesty-wren/case' ? 'format' : 'version'
    return {
      clinicalCase: null,
      problems: [formatProblem(path, 'This is not a case file of version 1: set "format" to "zesty-wren/case" and "version" to 1.')],
    }
  }
  const other = refuseOtherSchemas(file.raw('schemas'))
  if (other !== null) return { clinicalCase: null, problems: [formatProblem('schemas', other)] }
  const technique = file.raw('technique')
  if (typeof technique !== 'string' || !findTechnique(technique)) {
    problems.push({
      code: 'unknown-technique',
      path: 'technique',
      message: `The technique ${JSON.stringify(technique ?? null)} is not known: use one of ${techniques.map((one) => one.id).join(', ')}.`,
    })
    return { clinicalCase: null, problems }
  }
  file.warnUnknown([
    'format',
    'version',
    'schemas',
    'technique',
    'patient',
    'injury',
    'options',
    'measurements',
    'crew',
    'environment',
    'stock',
    'wearDays',
    'orders',
    'device',
    'replaces',
    'rig',
    'appliedAt',
    'zone',
    'overrules',
    'seed',
  ])
  const clinicalCase: ClinicalCase = {
    technique,
    patient: readPatient(file.object('patient')),
    injury: readInjury(file.object('injury')),
    options: readOptions(file.object('options')),
    measurements: file.list('measurements').flatMap((one, index) => readMeasurement(one, index, problems)),
    crew: { people: file.object('crew')?.number('people', { ...limits.people, whole: true }) ?? null },
    environment: readEnvironment(file.object('environment')),
    stock: readStock(file, problems),
    orders: readOrders(file.object('orders')),
    overrules: file.list('overrules').flatMap((one, index) => readOverrule(one, index, problems)),
    ...optional('wearDays', file.number('wearDays', limits.wearDays)),
    ...(file.raw('device') === undefined ? {} : { device: readDevice(file.object('device')) }),
    ...optional('replaces', readReplaced(file, problems)),
    ...(file.raw('rig') === undefined ? {} : { rig: readRig(file.object('rig')) }),
    ...optional('appliedAt', file.time('appliedAt')),
    ...optional('zone', file.zone('zone')),
    ...optional('seed', file.number('seed', { whole: true })),
  }
  return { clinicalCase, problems }
}

/** The technique of what is on and comes off for this one. */
function readReplaced(file: FieldReader, problems: Problem[]): string | undefined {
  const id = file.raw('replaces')
  if (id === undefined) return undefined
  if (typeof id === 'string' && findTechnique(id)) return id
  problems.push({
    code: 'unknown-technique',
    path: 'replaces',
    message: `What it replaces, ${JSON.stringify(id)}, is no technique: use one of ${techniques.map((technique) => technique.id).join(', ')}, or leave it out.`,
  })
  return undefined
}

function readPatient(from: FieldReader | null): Patient {
  if (!from) return { flags: [] }
  return {
    ...optional('ageYears', from.number('ageYears', limits.ageYears)),
    ...optional('sex', from.text('sex')),
    ...optional('heightCm', from.number('heightCm', limits.heightCm)),
    ...optional('massKg', from.number('massKg', limits.massKg)),
    flags: from.words('flags', patientFlags, 'unknown-flag'),
  }
}

function readInjury(from: FieldReader | null): Injury {
  if (!from) return { pattern: 'other', flags: [], swelling: 'none', levelCm: null }
  const region = from.word('region', regions)
  const side = from.word('side', sides)
  const isSided = region === undefined || !isColumnRegion(region)
  if (side !== undefined && !isSided) from.report('side', `A ${region} has no side: leave the side out.`)
  return {
    ...optional('region', region),
    ...optional('side', isSided ? side : undefined),
    pattern: from.word('pattern', patterns) ?? 'other',
    flags: from.words('flags', injuryFlags, 'unknown-flag'),
    swelling: from.word('swelling', swellings) ?? 'none',
    levelCm: from.number('levelCm', limits.levelCm) ?? null,
  }
}

function readOptions(from: FieldReader | null): Record<string, string | number> {
  const options: Record<string, string | number> = {}
  for (const [id, value] of Object.entries(from?.record() ?? {})) {
    if (typeof value === 'string' || typeof value === 'number') options[id] = value
    else from?.report(id, `The option "${id}" must be a word or a number.`)
  }
  return options
}

function readMeasurement(data: unknown, index: number, problems: Problem[]): readonly Measurement[] {
  const path = `measurements/${index}`
  const from = createFieldReader(data, path, problems)
  if (!from) {
    problems.push(formatProblem(path, 'A measurement must be an object with id, value and unit.'))
    return []
  }
  const id = from.text('id')
  const known = listMeasurementIds()
  if (!id || !known.includes(id)) {
    problems.push({
      code: 'unknown-measurement',
      path: `${path}/id`,
      message: `The measurement "${id ?? ''}" is not known: use one of ${known.join(', ')}.`,
    })
    return []
  }
  const words = measurementWords(id)
  const figure = words ? readWord(from, words) : readFigure(from, path, problems)
  if (!figure) return []
  return [
    {
      id,
      ...figure,
      ...optional('side', from.word('side', sides)),
      ...optional('tool', from.word('tool', toolIds) as ReadingTool | undefined),
      ...optional('key', from.text('key')),
      ...optional('occasion', from.text('occasion')),
      ...optional('typed', from.text('typed')),
      ...optional('posture', from.text('posture')),
      ...optional('stepId', from.text('stepId')),
      ...optional('takenFor', from.text('takenFor')),
      ...optional('by', from.text('by')),
      ...optional('at', from.time('at')),
      ...optional('supersedes', from.text('supersedes')),
      ...optional('breadthCm', from.number('breadthCm', limits.breadthCm)),
      ...optional('planeCm', from.number('planeCm', limits.planeCm)),
      ...(from.raw('confirmed') === true ? { confirmed: true } : {}),
    },
  ]
}

function readWord(from: FieldReader, words: readonly string[]): { value: string } | null {
  const value = from.word('value', words)
  return value === undefined ? null : { value }
}

function readFigure(from: FieldReader, path: string, problems: Problem[]): { value: number; unit?: ReadingUnit } | null {
  const value = from.raw('value')
  const unit = from.raw('unit')
  if (unit !== undefined && !(unitIds as readonly unknown[]).includes(unit)) {
    problems.push({
      code: 'unknown-unit',
      path: `${path}/unit`,
      message: `The unit ${JSON.stringify(unit)} is not known: use one of ${unitIds.join(', ')}.`,
    })
    return null
  }
  if (typeof value === 'number' && Number.isFinite(value)) return { value, ...optional('unit', unit as ReadingUnit | undefined) }
  if (typeof value !== 'string') {
    problems.push(formatProblem(`${path}/value`, 'The value of a measurement must be a number, or a text such as "15 1/4 in".'))
    return null
  }
  const parsed = parseReading(value)
  if (!parsed.ok) {
    problems.push(formatProblem(`${path}/value`, parsed.message))
    return null
  }
  if (parsed.unit !== null && unit !== undefined && unit !== parsed.unit) {
    problems.push(
      formatProblem(`${path}/value`, `The value "${value}" says ${parsed.unit} and its unit says ${String(unit)}: leave one of them out.`),
    )
    return null
  }
  const effective = parsed.unit ?? (unit as ReadingUnit | undefined)
  return { value: parsed.value, ...optional('unit', effective) }
}

function readEnvironment(from: FieldReader | null): Environment {
  return {
    waterC: from?.number('waterC', limits.waterC) ?? 22,
    roomC: from?.number('roomC', limits.roomC) ?? 21,
    backing: from?.word('backing', ['air', 'pillow'] as const) ?? 'air',
    stretcherCm: from?.number('stretcherCm', limits.stretcherCm) ?? 200,
    ...optional('packSetMin', from?.number('packSetMin', limits.packSetMin)),
  }
}

function readOverrule(data: unknown, index: number, problems: Problem[]): readonly Overrule[] {
  const path = `overrules/${index}`
  const from = createFieldReader(data, path, problems)
  const reason = from?.text('reason')
  const decision = from?.text('decision')
  const caution = from?.text('caution')
  if (!from || !reason || (!decision && !caution)) {
    problems.push(formatProblem(path, 'An overrule must name a decision or a caution, and give a reason.'))
    return []
  }
  const value = from.raw('value')
  const isUsable =
    typeof value === 'string' ||
    typeof value === 'boolean' ||
    (typeof value === 'number' && Number.isFinite(value)) ||
    (Array.isArray(value) && value.every((one) => typeof one === 'number' && Number.isFinite(one)))
  if (decision && value === undefined) {
    problems.push(formatProblem(`${path}/value`, `The overrule of ${decision} must carry the value to use instead.`))
    return []
  }
  if (decision && !isUsable) {
    problems.push({
      code: 'out-of-range',
      path: `overrules/${decision}`,
      message: `The overrule of ${decision} must be a figure, a list of figures, a word, or true or false: write one of those.`,
    })
    return []
  }
  return [
    {
      ...optional('decision', decision),
      ...optional('caution', caution),
      ...optional('from', from.text('from')),
      ...optional('figure', from.number('figure')),
      ...(isUsable ? { value: value as number | string | boolean | readonly number[] } : {}),
      reason,
      by: from.text('by') ?? '',
      at: from.text('at') ?? '',
    },
  ]
}

function optional<K extends string, V>(key: K, value: V | undefined): { [P in K]?: V } {
  return value === undefined ? {} : ({ [key]: value } as { [P in K]?: V })
}

function formatProblem(path: string, message: string): Problem {
  return { code: 'format', path, message }
}
