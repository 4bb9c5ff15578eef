import { insideLeg, lowerLegLength } from '../../../figures/body/measurements/leg'
import type { PlanDraft } from '../../../planner/draft'
import { readDefaults } from '../../../quantities/defaults'
import { pullDefaults } from './decide-pull'
import type { TechniqueOption } from '../../../planner/technique'

/** Rules that no flag raises: too small a patient, a break too low on the shin. */
export function judgeTraction(draft: PlanDraft): void {
  const { patient, injury } = draft.clinicalCase
  const { leastBodyKg } = readDefaults(pullDefaults, draft.ctx.protocol)
  if (patient.massKg !== undefined && patient.massKg < leastBodyKg) {
    draft.caution({
      level: 'stop',
      code: 'under-12-kg',
      decisions: ['traction', 'load'],
      at: ['pulls'],
      text: 'Not for a child this small: overhead or plaster by the children’s team.',
      why: `Below ${leastBodyKg} kg no ring, pole or frame is made for the leg.`,
    })
  }
  const shank = shankOf(draft)
  if (injury.levelCm === null || !shank) return
  const lowest = shank.ankleCm + (shank.kneeCm - shank.ankleCm) / 3
  if (injury.levelCm > lowest) return
  draft.caution({
    level: 'stop',
    code: 'low-shank',
    at: ['pulls'],
    text: 'No traction: the break lies in the lowest third of the shin. Splint it as it lies.',
    why: 'The hitch sits on or beside the break.',
  })
}

/** Ankle and knee above the heel sole, cm, as well as they are known; null without any length. */
function shankOf(draft: PlanDraft): { ankleCm: number; kneeCm: number } | null {
  const { heightCm } = draft.clinicalCase.patient
  const lowerLeg = draft.measure(lowerLegLength)?.value
  const inside = draft.measure(insideLeg)?.value
  const share = (lowerLegLength.statureShare ?? 0) / (insideLeg.statureShare ?? 1)
  const kneeCm =
    lowerLeg ?? (heightCm !== undefined ? (lowerLegLength.statureShare ?? 0) * heightCm : inside !== undefined ? share * inside : null)
  return kneeCm === null ? null : { kneeCm, ankleCm: heightCm !== undefined ? 0.039 * heightCm : 0.137 * kneeCm }
}

/** The patient's mass, or problem `missing`: pull is by mass. */
export function requireMass(draft: PlanDraft): number | null {
  const { massKg } = draft.clinicalCase.patient
  if (massKg !== undefined) return massKg
  draft.problem({
    code: 'missing',
    path: 'patient/massKg',
    message: "The patient's mass is missing: enter it in kg, measured or estimated, for the pull.",
  })
  return null
}

/** How much to pull, in the order that a technique prefers. */
export function loadOption(order: readonly ('tenth' | 'relief' | 'skin-cap')[]): TechniqueOption {
  const words = {
    tenth: { label: 'A tenth of body mass', why: 'Crews who set a figure and read it on the scale, at most 7 kg.' },
    relief: { label: 'To relief', why: 'Teams who pull until pain eases and length matches the other leg.' },
    'skin-cap': { label: 'What skin bears', why: 'Wards with strips on for days: a tenth of body mass, at most 5 kg.' },
  }
  return {
    id: 'load',
    label: 'Pull',
    default: () => order[0] ?? 'tenth',
    values: order.map((id) => ({ id, ...words[id] })),
  }
}
