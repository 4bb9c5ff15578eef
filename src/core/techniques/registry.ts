import { legSlab } from './leg-slab/leg-slab'
import type { Technique } from './technique'

/** Every technique there is, in the order in which lists show them. */
export const techniques: readonly Technique[] = checkRegistry([legSlab])

/** The technique with an id, or null. */
export function findTechnique(id: string): Technique | null {
  return techniques.find((technique) => technique.id === id) ?? null
}

/**
 * Refuses a registry with duplicate ids or missing words, naming the culprit.
 * @throws Error on the first fault: a mistake of ours, found at start
 */
export function checkRegistry(list: readonly Technique[]): readonly Technique[] {
  const seen = new Set<string>()
  for (const technique of list) {
    if (seen.has(technique.id)) throw new Error(`Technique ${technique.id} is registered twice`)
    seen.add(technique.id)
    if (!technique.name || !technique.purpose) throw new Error(`Technique ${technique.id} lacks a name or a purpose`)
    const optionIds = technique.options.map((option) => option.id)
    if (new Set(optionIds).size !== optionIds.length) throw new Error(`Technique ${technique.id} has an option twice`)
    for (const option of technique.options) {
      if (option.figure ? option.figure.least >= option.figure.greatest : option.values.length < 2) {
        throw new Error(`Option ${option.id} of ${technique.id} has no real choice or a bad range`)
      }
    }
  }
  return list
}
