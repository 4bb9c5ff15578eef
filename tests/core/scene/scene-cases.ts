import { readCase } from '#core/files/read-case'
import { planCase } from '#core/techniques/plan-case'
import { findTechnique, techniques } from '#core/techniques/registry'
import type { Plan } from '#core/model/plan'
import { defaultProtocol } from '#core/quantities/defaults'
import { sceneOf, type SceneQuestion } from '#core/scene/judge-scene'
import type { Technique } from '#core/planner/technique'
import { changedExample } from '../../harness/cases/example-cases'
import { testContext, type CaseFile } from '../../harness/cases/leg-slab-cases'

/** The techniques that are cut into lines. */
export const cutTechniques: readonly string[] = techniques.filter(({ carries }) => carries).map(({ id }) => id)

/** The scene of a published example, changed; slow decisions stay pending. */
export function sceneWith(technique: string, change: (file: CaseFile) => void = () => undefined): SceneQuestion & { readonly plan: Plan } {
  const { clinicalCase, problems } = readCase(changedExample(technique, change))
  const plan = clinicalCase && planCase(clinicalCase, testContext(), problems)
  if (!plan) throw new Error(`${technique}: no plan`)
  const scene = sceneOf(findTechnique(technique) as Technique, plan, defaultProtocol)
  if (!scene) throw new Error(`${technique} is not cut into lines`)
  return { ...scene, plan }
}

/** The named options with each other, and every choice of the others by itself. */
export function optionChoices(technique: string, whole: readonly string[]): readonly Readonly<Record<string, string>>[] {
  const { options } = findTechnique(technique) as Technique
  const listed = options.filter(({ values }) => values.length > 0)
  const pairs = whole.reduce<readonly Readonly<Record<string, string>>[]>(
    (chosen, id) =>
      chosen.flatMap((one) => (listed.find((option) => option.id === id)?.values ?? []).map((value) => ({ ...one, [id]: value.id }))),
    [{}],
  )
  const singles = listed.filter(({ id }) => !whole.includes(id)).flatMap(({ id, values }) => values.map((value) => ({ [id]: value.id })))
  return [...pairs, ...singles]
}
