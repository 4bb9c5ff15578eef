import { fileSchemas, refuseOtherSchemas } from '../../files/file-schemas'
import { limits } from '../../model/limits'
import { sides, swellings } from '../../model/vocabulary'
import { findTechnique } from '../../techniques/registry'
import { usualPatient } from '../practice-case'
import { criticalIds, newestRules, usualLimitS, type CriticalError, type Station } from './station'

/** A fault of a station, with its field, reason and remedy. */
export interface StationProblem {
  readonly field: string
  readonly message: string
}

/** The station, or null with every reason why it cannot be used. */
export interface ReadStation {
  readonly station: Station | null
  readonly problems: readonly StationProblem[]
}
type StepIds = (station: Station) => readonly string[]

const format = 'zesty-wren/station'
const mostTexts = 40
const mostTextLength = 300
/** From half a minute to three hours. */
const limitRangeS = [30, 10_800] as const

/** A station as a file. Practice, and says so. */
export function writeStationFile(station: Station): object {
  return { format, version: 1, ...fileSchemas, practice: true, station }
}

/**
 * Reads a station that somebody made: what cannot be used is named, field by field; a station with problems is not run.
 * @param stepIds the steps of its technique's plan
 */
export function readStationFile(file: unknown, stepIds: StepIds): ReadStation {
  const from = asRecord(file)
  const other = from?.['format'] === format ? refuseOtherSchemas(from['schemas']) : null
  if (other !== null) return { station: null, problems: [{ field: 'schemas', message: other }] }
  if (from?.['format'] === format && asRecord(from['station'])) return readStation(from['station'], stepIds)
  return {
    station: null,
    problems: [{ field: 'format', message: `The file is no station: its format has to be ${format}, with a station in it.` }],
  }
}

/** Reads a station by itself, as `readStationFile` does one in its file. */
export function readStation(station: unknown, stepIds: StepIds): ReadStation {
  const problems: StationProblem[] = []
  const say = (field: string, message: string): void => void problems.push({ field, message })
  const from = asRecord(station) ?? {}
  const technique = findTechnique(String(from['technique']))
  if (!technique) say('technique', 'The technique is not known: choose one of the list.')
  const name = textOf(from['name'])
  if (name === null || name.trim() === '') say('name', `The name is missing or longer than ${mostTextLength} letters: give it a short one.`)
  const limitS = from['limitS'] === undefined ? usualLimitS : from['limitS']
  const isLimit = typeof limitS === 'number' && limitS >= limitRangeS[0] && limitS <= limitRangeS[1]
  if (!isLimit) say('limitS', `The time limit has to be ${limitRangeS[0]} to ${limitRangeS[1]} seconds: without time nobody can be in it.`)
  if (from['worth'] !== undefined || from['weights'] !== undefined)
    say('weights', 'The parts of every station are worth the same, 40, 30, 20 and 10: leave the weights out.')
  const patient = { ...usualPatient, ...(asRecord(from['patient']) ?? {}) }
  const isIn = (value: unknown, { least, greatest }: { least: number; greatest: number }): boolean =>
    typeof value === 'number' && value >= least && value <= greatest
  if (!isIn(patient.heightCm, limits.heightCm))
    say('patient/heightCm', `The height has to be ${limits.heightCm.least} to ${limits.heightCm.greatest} cm.`)
  if (!isIn(patient.massKg, limits.massKg))
    say('patient/massKg', `The weight has to be ${limits.massKg.least} to ${limits.massKg.greatest} kg.`)
  if (!(sides as readonly unknown[]).includes(patient.side)) say('patient/side', 'The side is left or right.')
  if (!(swellings as readonly unknown[]).includes(patient.swelling))
    say('patient/swelling', `The swelling is one of ${swellings.join(', ')}.`)
  const required = listOf(from['required']).filter((one): one is string => typeof one === 'string')
  if (required.length === 0) say('required', 'A station needs at least one required step: tick the steps without which it is not complete.')
  const criticals = listOf(from['criticals'])
  const unknown = criticals.filter((critical) => !(criticalIds as readonly unknown[]).includes(critical))
  if (unknown.length > 0)
    say('criticals', `${unknown.map(String).join(', ').slice(0, 80)} is no critical error of a station: choose from the list.`)
  const asked = listOf(from['asked']).map(asRecord)
  asked.forEach((one, index) => {
    const { decision, tolerance } = one ?? {}
    if (!technique?.decisions.some((known) => known.id === decision))
      say(`asked/${index}`, 'The figure asked for is no decision of this technique: choose one of the list.')
    if (tolerance !== null && tolerance !== undefined && !(typeof tolerance === 'number' && tolerance > 0))
      say(`asked/${index}/tolerance`, 'The tolerance has to be above 0: leave it out for the usual one.')
  })
  const { rules } = from
  if (rules !== undefined && !(Number.isInteger(rules) && Number(rules) >= 1 && Number(rules) <= newestRules))
    say('rules', `The rules have to be 1 to ${newestRules}: leave them out, and those of today count.`)
  const given = textsOf(from['given'], 'given', say)
  const onAsking = pairsOf(from['onAsking'], 'onAsking', 'ask', 'answer', say)
  const prompts = listOf(from['prompts']).flatMap((one, index) => {
    const { atS, text } = asRecord(one) ?? {}
    const words = textOf(text)
    if (typeof atS === 'number' && atS >= 0 && words) return [{ atS, text: words }]
    say(`prompts/${index}`, 'A prompt needs its second from the start and its words.')
    return []
  })
  if (problems.length > 0 || !technique || name === null) return { station: null, problems }
  const made: Station = {
    id: typeof from['id'] === 'string' ? from['id'].slice(0, 60) : 'own',
    name,
    technique: technique.id,
    options: Object.fromEntries(
      Object.entries(asRecord(from['options']) ?? {}).filter(
        (one): one is [string, string | number] => typeof one[1] === 'string' || typeof one[1] === 'number',
      ),
    ),
    patient,
    given,
    onAsking: onAsking.map(([ask, answer]) => ({ ask, answer })),
    prompts,
    limitS: Number(limitS),
    required,
    criticals: criticals as readonly CriticalError[],
    asked: asked.map((one) => ({
      decision: String(one?.['decision']),
      tolerance: typeof one?.['tolerance'] === 'number' ? one['tolerance'] : null,
    })),
    ...(typeof from['rules'] === 'number' ? { rules: from['rules'] } : {}),
  }
  const steps = new Set(stepIds(made))
  const strange = required.filter((id) => !steps.has(id))
  if (strange.length > 0)
    say('required', `${strange.join(', ').slice(0, 120)} is no step of this technique with these options: tick from its list.`)
  return { station: problems.length === 0 ? made : null, problems }
}

type Say = (field: string, message: string) => void

function asRecord(value: unknown): Record<string, unknown> | null {
  return typeof value === 'object' && value !== null && !Array.isArray(value) ? (value as Record<string, unknown>) : null
}

function listOf(value: unknown): readonly unknown[] {
  return Array.isArray(value) ? (value as readonly unknown[]).slice(0, mostTexts) : []
}

function textOf(value: unknown): string | null {
  return typeof value === 'string' && value.length <= mostTextLength ? value : null
}

function textsOf(value: unknown, field: string, say: Say): readonly string[] {
  return listOf(value).flatMap((one, index) => {
    const text = textOf(one)
    if (text === null) say(`${field}/${index}`, `This has to be words, at most ${mostTextLength} letters.`)
    return text === null ? [] : [text]
  })
}

function pairsOf(value: unknown, field: string, first: string, second: string, say: Say): readonly (readonly [string, string])[] {
  return listOf(value).flatMap((one, index): readonly (readonly [string, string])[] => {
    const [a, b] = [textOf(asRecord(one)?.[first]), textOf(asRecord(one)?.[second])]
    if (a && b) return [[a, b]]
    say(`${field}/${index}`, 'A question needs its words and its answer.')
    return []
  })
}
