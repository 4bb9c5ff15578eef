import { hasFlag, hasUntestedFeeling, isYoungerThan, type ClinicalCase } from '../../model/clinical-case'
import type { CrewWindow } from '../../model/crew-input'
import { heatDefaults } from '../../model/heat-input'
import type { PlanDraft } from '../../planner/draft'
import type { Step } from '../../model/step'
import { readDefaults } from '../../quantities/defaults'
import type { DecidedSetting } from '../families/cast/decide-set-time'
import { judgeMinutes, type Mend } from './judge-minutes'
import type { SettingMaterial } from '../../model/setting-material'

/** Why skin at risk gets the lower heat limit, or null (neuropathy, unresponsive, fragile skin). */
function heatVulnerability(clinicalCase: ClinicalCase): string | null {
  if (isYoungerThan(clinicalCase, 16)) return 'child'
  const flag = (['neuropathy', 'unresponsive', 'fragile-skin'] as const).find((one) => hasFlag(clinicalCase, one))
  if (flag) return flag.replaceAll('-', ' ')
  return hasUntestedFeeling(clinicalCase) ? 'diabetes, feeling not tested' : null
}

/** Asks for `peak-skin-temp` under so many layers of a material. */
export function askForHeat(draft: PlanDraft, material: SettingMaterial, layers: number, setMin: number): void {
  const { environment } = draft.clinicalCase
  draft.slow({
    decision: 'peak-skin-temp',
    vulnerable: heatVulnerability(draft.clinicalCase),
    input: {
      material,
      layers,
      paddingLayers: 2,
      waterC: environment.waterC,
      roomC: environment.roomC,
      backing: environment.backing,
      setMin,
      constants: readDefaults(heatDefaults, draft.ctx.protocol),
    },
  })
}

export interface CrewQuestion {
  readonly steps: readonly Step[]
  readonly set: Pick<DecidedSetting, 'minutes' | 'sd' | 'workableShare'>
  /** Fewest people that holds and place allow. */
  readonly floor: number
  /** The floor was found by playing the procedure: fewer than that is a stop of its own. */
  readonly isSearched?: true
  readonly wettingStep: string
  readonly mouldingStep: string
  /** Clocks of several parts. */
  readonly windows?: readonly CrewWindow[]
  /** What would give more time, as it would be. */
  readonly mends: () => readonly Mend[]
  /** What gives when hands are short. */
  readonly relief: readonly string[]
}

/** Asks for `least-crew` from the wet steps of the procedure, and judges them by their likely minutes. */
export function askForCrew(draft: PlanDraft, question: CrewQuestion): void {
  const { steps, set, mends, wettingStep, mouldingStep } = question
  const windows = question.windows ?? [{ from: wettingStep, at: 'end' as const, to: mouldingStep, share: set.workableShare }]
  judgeMinutes(draft, { steps, setMin: set.minutes, mends, windows })
  const wet = question.steps.filter((step) => step.wet && !step.optional)
  const ids = new Set(wet.map((step) => step.id))
  const holds = holdsOf(question.steps, wet)
  draft.slow({
    decision: 'least-crew',
    people: draft.clinicalCase.crew.people,
    relief: question.relief,
    ...(question.isSearched ? { isSearched: true as const } : {}),
    input: {
      steps: wet.map((step) => ({
        id: step.id,
        minutes: step.minutes,
        hands: step.hands,
        after: step.after.filter((id) => ids.has(id)),
        holdsUntil: holds.get(step.id) ?? [],
      })),
      wettingStep: question.wettingStep,
      mouldingStep: question.mouldingStep,
      windows,
      setMin: question.set.minutes,
      setSdMin: question.set.sd,
      floor: question.floor,
      seed: draft.clinicalCase.seed ?? draft.ctx.seed,
    },
  })
}

/**
 * Holds that the wet phase begins, by the wet step that begins them: those taken there, and at the first step all that were taken before and
 * last into it.
 * @returns for each the wet step that releases it; the last one where it lasts longer
 */
function holdsOf(steps: readonly Step[], wet: readonly Step[]): ReadonlyMap<string, readonly string[]> {
  const found = new Map<string, string[]>()
  const placeOf = new Map(steps.map(({ id }, place) => [id, place]))
  const wetPlaces = wet.map(({ id }) => placeOf.get(id) ?? -1)
  const [first, last] = [wetPlaces[0], wetPlaces.at(-1)]
  if (first === undefined || last === undefined) return found
  for (const { holds } of steps) {
    if (!holds) continue
    const [from, to] = [placeOf.get(holds.from) ?? -1, placeOf.get(holds.to) ?? -1]
    if (to < first || from > last) continue
    const taken = wet[wetPlaces.findIndex((place) => place >= from)]
    if (!taken) continue
    const released = wet[wetPlaces.findLastIndex((place) => place <= to)] ?? wet.at(-1)!
    found.set(taken.id, [...(found.get(taken.id) ?? []), released.id])
  }
  return found
}
