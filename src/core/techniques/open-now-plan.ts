import type { ClinicalCase } from '../model/clinical-case'
import type { Plan } from '../model/plan'
import type { Technique } from '../planner/technique'
import { openNowSteps, ownOpeningLines } from './shared/open-now'
import { comparedWords, placeInWords } from './shared/part-words'

/** The pull that is planned to be on, kg; null where there is none. */
function pullOn({ procedure }: Plan): number | null {
  return procedure.steps.flatMap((step) => step.pull?.expectedKg ?? [])[0] ?? null
}

/**
 * The plan of opening at once a device that opens by its own lines: its drawing, none of its figures.
 * @param worn the plan of what is on
 */
export function openNowPlan(worn: Plan, technique: Technique, { injury }: Pick<ClinicalCase, 'injury'>): Plan {
  const { holds, actions } = technique.onUrgent
  const steps = openNowSteps({
    where: placeInWords(injury),
    held: holds,
    lines: ownOpeningLines(actions, holds, pullOn(worn)),
    compared: comparedWords(injury),
  })
  const { rolls: _, ...kept } = worn
  return { ...kept, procedure: { steps }, cautions: [], decisions: [], materials: [], problems: [], pending: [], fit: [], schedule: [] }
}
