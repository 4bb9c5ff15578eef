import type { Caution } from '../model/plan'
import type { Step } from '../model/step'
import { saidLines } from './said-lines'

const units: readonly (readonly [RegExp, string])[] = [
  [/(\d)\s*°C/g, '$1 degrees'],
  [/(\d)\s*°/g, '$1 degrees'],
  [/(\d)\s*cm\b/g, '$1 centimetres'],
  [/(\d)\s*mm\b/g, '$1 millimetres'],
  [/(\d)\s*in\b(?=[,.;)]|$)/g, '$1 inches'],
  [/(\d)\s*kg\b/g, '$1 kilos'],
  [/(\d)\s*kPa\b/g, '$1 kilopascal'],
  [/(\d)\s*mmHg\b/g, '$1 millimetres of mercury'],
  [/(\d)\s*N\b/g, '$1 newtons'],
  [/(\d)\s*min\b/g, '$1 minutes'],
  [/(\d)\s*h\b/g, '$1 hours'],
  [/(\d)\s*[×x]\s*(?=\d)/g, '$1 times '],
  [/(\d)\s*–\s*(?=\d)/g, '$1 to '],
  [/\s*%/g, ' percent'],
]

/** A text as it is said aloud: units and signs in words, for a voice says "cm" as letters. */
export function speakable(text: string): string {
  return units.reduce((said, [sign, words]) => said.replace(sign, words), text)
}

const leads = { stop: 'Stop.', caution: 'Caution.', note: 'Note.' } as const

/**
 * What is said of a step: stops before it, then the step and its lines one by one, then its cautions; what was set aside is not said again.
 * @param number of the step, from 1
 */
export function spokenStep(
  step: Pick<Step, 'text' | 'id' | 'headline' | 'lines' | 'items'>,
  number: number,
  cautions: readonly Caution[],
): readonly string[] {
  const biting = cautions.filter((caution) => caution.steps.includes(step.id) && !caution.overruled)
  const said = (levels: readonly Caution['level'][]): readonly string[] =>
    biting.filter((caution) => levels.includes(caution.level)).map((caution) => `${leads[caution.level]} ${caution.text}`)
  const { headline, lines } = saidLines(step)
  const isCut = lines.length > 0 && !step.items
  const own = isCut ? lines.map(({ who, text }) => (who === null ? text : `${who}: ${text}`)) : []
  return [...said(['stop']), `Step ${number}. ${isCut ? `${headline}.` : step.text}`, ...own, ...said(['caution', 'note'])].map(speakable)
}
