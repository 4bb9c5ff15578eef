import type { Plan } from '../../model/plan'
import { findTechnique } from '../../techniques/registry'
import type { PracticePatient } from '../practice-case'
import { planOfStation, usualGiven } from './shipped-stations'
import { stationContext } from './station-context'
import { newestRules, type CriticalError, type Station } from './station'
import type { StationProblem } from './read-station'

/** A station as its author writes it: every field as typed, lists a line each. */
export interface StationForm {
  readonly name: string
  readonly technique: string
  readonly options: Readonly<Record<string, string | number>>
  readonly heightCm: string
  readonly massKg: string
  readonly side: string
  readonly swelling: string
  readonly isFresh: boolean
  /** Null for what is usually given, which follows the patient. */
  readonly given: string | null
  /** “Pulse? = Strong”, a line each. */
  readonly onAsking: string
  /** “5: Half of the time has gone.”, minutes first, a line each. */
  readonly prompts: string
  readonly limitMin: string
  readonly required: readonly string[]
  readonly criticals: readonly string[]
  readonly asked: readonly string[]
  /** By decision; empty for the usual one. */
  readonly tolerances: Readonly<Record<string, string>>
}

/** The form of a station that is there. */
export function formOf(station: Station): StationForm {
  const { patient } = station
  const given = station.given.join('\n')
  const form: StationForm = {
    name: station.name,
    technique: station.technique,
    options: station.options,
    heightCm: String(patient.heightCm),
    massKg: String(patient.massKg),
    side: patient.side,
    swelling: patient.swelling,
    isFresh: patient.isFresh,
    given,
    onAsking: station.onAsking.map(({ ask, answer }) => `${ask} = ${answer}`).join('\n'),
    prompts: station.prompts.map(({ atS, text }) => `${atS / 60}: ${text}`).join('\n'),
    limitMin: String(station.limitS / 60),
    required: station.required,
    criticals: station.criticals,
    asked: station.asked.map((one) => one.decision),
    tolerances: Object.fromEntries(station.asked.flatMap((one) => (one.tolerance === null ? [] : [[one.decision, String(one.tolerance)]]))),
  }
  return givenOf({ ...form, given: null }) === given ? { ...form, given: null } : form
}

/** What is given at the start, a line each: as the author wrote it, or as is usual for the patient; empty while nobody can plan for them. */
export function givenOf(form: StationForm): string {
  if (form.given !== null) return form.given
  const technique = findTechnique(form.technique)
  const plan = planOfForm(form)
  return technique && plan ? usualGiven(technique, patientOf(form), plan).join('\n') : ''
}

/** The plan of the form's patient; null while it cannot be planned. */
export function planOfForm(form: StationForm): Plan | null {
  const patient = patientOf(form)
  if (!Number.isFinite(patient.heightCm) || !Number.isFinite(patient.massKg)) return null
  return planOfStation({ technique: form.technique, options: form.options, patient }, stationContext)
}

/** As typed: a figure that is none is not a number. */
function patientOf(form: StationForm): PracticePatient {
  return {
    heightCm: figure(form.heightCm),
    massKg: figure(form.massKg),
    side: form.side as PracticePatient['side'],
    swelling: form.swelling as PracticePatient['swelling'],
    isFresh: form.isFresh,
  }
}

/**
 * What the form says, to be read by `readStation`; what of it cannot be taken apart is named by its line.
 * @param id under which it is kept
 */
export function stationOfForm(
  form: StationForm,
  id: string,
): { readonly station: Record<string, unknown>; readonly problems: readonly StationProblem[] } {
  const problems: StationProblem[] = []
  const onAsking = linesOf(form.onAsking).flatMap((line, index) => {
    const at = line.indexOf('=')
    if (at > 0 && line.slice(at + 1).trim() !== '') return [{ ask: line.slice(0, at).trim(), answer: line.slice(at + 1).trim() }]
    problems.push({
      field: `onAsking/${index}`,
      message: `Line ${index + 1} of what is told on asking needs a question, = and its answer: Pulse? = Strong.`,
    })
    return []
  })
  const prompts = linesOf(form.prompts).flatMap((line, index) => {
    const [, minutes, text] = /^([\d.,]+)\s*:\s*(.+)$/.exec(line) ?? []
    if (minutes !== undefined && text !== undefined) return [{ atS: Math.round(60 * figure(minutes)), text }]
    problems.push({
      field: `prompts/${index}`,
      message: `Line ${index + 1} of the prompts needs its minute, : and its words: 5: Half of the time has gone.`,
    })
    return []
  })
  return {
    problems,
    station: {
      id,
      name: form.name.trim(),
      technique: form.technique,
      options: form.options,
      patient: patientOf(form),
      given: linesOf(givenOf(form)),
      onAsking,
      prompts,
      limitS: Math.round(60 * figure(form.limitMin)),
      required: form.required,
      criticals: form.criticals as readonly CriticalError[],
      asked: form.asked.map((decision) => {
        const tolerance = (form.tolerances[decision] ?? '').trim()
        return { decision, tolerance: tolerance === '' ? null : figure(tolerance) }
      }),
      rules: newestRules,
    },
  }
}

function linesOf(text: string): readonly string[] {
  return text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')
}

/** A figure as typed, with a comma too; not a number where it is none, which readStation names. */
function figure(text: string): number {
  return text.trim() === '' ? Number.NaN : Number(text.replace(',', '.'))
}
