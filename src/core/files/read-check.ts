import type { ClinicalCase } from '../model/clinical-case'
import { actionIds } from '../model/action'
import { watchedOf, type RoundInput } from '../model/observation'
import type { Problem } from '../model/problem'
import { sides } from '../model/vocabulary'
import { isItemOf, partIds, readItemId } from '../rounds/item-ids'
import { limbPart, type PartId } from '../rounds/look'
import { injuredLimb } from '../rounds/missing-items'
import { longestDecisionMin, type SeniorDecision, type Told } from '../standing/standing-finding'
import { createFieldReader, type FieldReader } from './field-reader'
import { readCase } from './read-case'
import { readRound } from './read-round'

/** A senior's decision with its place in the file, from 0. */
export interface FileDecision extends SeniorDecision {
  readonly place: number
}
export interface ReadCheck {
  readonly clinicalCase: ClinicalCase | null
  /** In the order of the file. */
  readonly rounds: readonly RoundInput[]
  readonly told: readonly Told[]
  readonly decisions: readonly FileDecision[]
  /** Whether the device is on; it is unless the file says that it is not. */
  readonly isOn: boolean
  readonly problems: readonly Problem[]
}

const formatProblem: Problem = {
  code: 'format',
  path: 'format',
  message: 'This is not a check file of version 1: set "format" to "zesty-wren/check" and "version" to 1.',
}
const minutes = { least: -100_000, greatest: 1_000_000 }

/**
 * Reads an unknown value as a check file: a case with its rounds, what was done about them, who was told and what seniors decided. Every
 * fault is reported at once. Responses are read for their faults; they change nothing of what stands.
 */
export function readCheck(data: unknown): ReadCheck {
  const problems: Problem[] = []
  const file = createFieldReader(data, '', problems)
  if (!file || file.raw('format') !== 'zesty-wren/check' || file.raw('version') !== 1)
    return { clinicalCase: null, rounds: [], told: [], decisions: [], isOn: true, problems: [formatProblem] }
  file.warnUnknown(['format', 'version', 'case', 'on', 'rounds', 'responses', 'seniorDecisions', 'told'], 'a check file', 'unknown-field')
  const read = readCase(file.raw('case'))
  problems.push(...read.problems.map((problem) => ({ ...problem, path: problem.path ? `case/${problem.path}` : 'case' })))
  const rounds = file.list('rounds').flatMap((one, index) => {
    const path = `rounds/${index}`
    const round = readRound(one, path, problems)
    if (read.clinicalCase) for (const each of round) reportInjuredPart(read.clinicalCase, each, path, problems)
    return round
  })
  if (rounds.length === 0)
    problems.push({ code: 'missing', path: 'rounds', message: 'There is no round to judge: add at least one under "rounds".' })
  file.objects('responses').forEach(readResponse)
  return {
    clinicalCase: read.clinicalCase,
    rounds,
    told: file.objects('told').flatMap(readTold),
    decisions: file.objects('seniorDecisions').flatMap((one, place) => readDecision(one, place)),
    isOn: readOn(file),
    problems,
  }
}

/** Whether the device is on: "on": false says that nothing is. */
function readOn(file: FieldReader): boolean {
  const value = file.raw('on')
  if (value !== undefined && typeof value !== 'boolean')
    file.report('on', `on must be true or false, not ${JSON.stringify(value)}: left out, the device is on.`)
  return value !== false
}

/** A round that did not look at what is hurt says so: it can only be incomplete. */
function reportInjuredPart(clinicalCase: ClinicalCase, round: RoundInput, path: string, problems: Problem[]): void {
  const watched = watchedOf(clinicalCase.injury.region)
  if (watched === 'neck' || watched === 'spine') {
    if (!round[watched])
      problems.push({
        code: 'missing',
        path: `${path}/${watched}`,
        message: `The ${watched} was not looked at: add the block "${watched}" to this round.`,
      })
    return
  }
  const injured = injuredLimb(clinicalCase)
  const isLookedAt = injured ? round.limbs.some((limb) => limb.limb === injured.limb && limb.side === injured.side) : round.limbs.length > 0
  if (isLookedAt) return
  const what = injured ? `injured ${injured.side} ${injured.limb}` : 'injured limb'
  problems.push({ code: 'missing', path: `${path}/limbs`, message: `The ${what} was not looked at: add what was found on it to "limbs".` })
}

function readResponse(from: FieldReader): void {
  from.warnUnknown(['atMin', 'part', 'action', 'outcome', 'to'], 'a response', 'unknown-field')
  need(from, 'atMin', from.number('atMin', minutes))
  need(from, 'part', from.word('part', partIds))
  need(from, 'action', from.word('action', actionIds))
  need(from, 'outcome', from.word('outcome', ['done', 'not-done'] as const))
  if (from.raw('to') !== undefined || from.raw('action') === 'call-senior') readName(from, 'to')
}

function readTold(from: FieldReader): readonly Told[] {
  from.warnUnknown(['atMin', 'to', 'items'], 'an entry of "told"', 'unknown-field')
  const atMin = need(from, 'atMin', from.number('atMin', minutes))
  const to = readName(from, 'to')
  if (atMin === undefined || to === undefined) return []
  if (from.raw('items') === undefined) return [{ atMin, to }]
  const items = from.list('items').flatMap((id, index) => {
    if (typeof id === 'string' && readItemId(id)) return [id]
    from.report(`items/${index}`, `${JSON.stringify(id)} is no item of what stands: write it as leg-left/pulse.`)
    return []
  })
  return [{ atMin, to, items }]
}

function readDecision(from: FieldReader, place: number): readonly FileDecision[] {
  from.warnUnknown(['atMin', 'by', 'limb', 'side', 'part', 'item', 'untilMin', 'what', 'atBedside'], 'a decision', 'unknown-field')
  const atMin = need(from, 'atMin', from.number('atMin', minutes))
  const by = readName(from, 'by')
  const untilMin = need(from, 'untilMin', from.number('untilMin', minutes))
  const part = readPart(from)
  const item = need(from, 'item', from.text('item'))
  if (part && item !== undefined && !isItemOf(part, item)) {
    from.report('item', `${part} has no item "${item}": use one such as pulse, refill or feeling/tibial.`)
    return []
  }
  if (atMin === undefined || by === undefined || untilMin === undefined || !part || item === undefined) return []
  const latest = atMin + longestDecisionMin
  if (untilMin > latest)
    from.report('untilMin', `A decision holds 4 h at most: untilMin is cut to ${latest}, decide again then.`, 'out-of-range')
  if (untilMin <= atMin) {
    from.report('untilMin', `untilMin must be later than atMin, ${atMin}.`, 'out-of-range')
    return []
  }
  const isAtBedside = from.raw('atBedside')
  if (isAtBedside !== undefined && typeof isAtBedside !== 'boolean') {
    from.report('atBedside', `atBedside must be true or false, not ${JSON.stringify(isAtBedside)}.`)
    return []
  }
  return [{ atMin, by, part, item, untilMin: Math.min(untilMin, latest), isAtBedside: isAtBedside === true, place }]
}

/** `part`, or limb and side in its place. */
function readPart(from: FieldReader): PartId | undefined {
  if (from.raw('limb') === undefined && from.raw('side') === undefined) return need(from, 'part', from.word('part', partIds))
  const limb = need(from, 'limb', from.word('limb', ['leg', 'arm'] as const))
  const side = need(from, 'side', from.word('side', sides))
  return limb && side && limbPart(limb, side)
}

/** Who: a name that says something. */
function readName(from: FieldReader, field: string): string | undefined {
  const name = from.text(field)
  if (name?.trim()) return name
  if (name !== undefined || from.raw(field) === undefined)
    from.report(field, `${field} must name a person: without one this entry has no effect.`)
  return undefined
}

/** A field that an entry cannot do without; one that is there but wrong has been reported already. */
function need<T>(from: FieldReader, field: string, value: T | undefined): T | undefined {
  if (value === undefined && from.raw(field) === undefined) from.report(field, `${field} is missing: without it this entry has no effect.`)
  return value
}
