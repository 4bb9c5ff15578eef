import type { PlanDraft } from '../draft'
import { buildLegModel, findGirthOrderFaults, type LegModel } from '../../figures/body/leg-model'
import { calfShareOfStature, type LegStationId } from '../../figures/body/leg-template'
import { footLength, insideLeg, legGirths, lowerLegLength } from '../../figures/body/measurements/leg'
import type { MeasurementDefinition } from '../../model/measurement-definition'
import type { Estimate } from '../../figures/body/pool-side'
import { drawnStatureCm } from './drawn-stature'

export interface MeasuredLeg {
  readonly model: LegModel
  /** Whether lengths along the limb are known well enough for rolls: measured, or from stature. */
  readonly hasLengths: boolean
}

/**
 * The leg of a case from its readings. Raises `missing` when no girth was measured, or when neither a length
 * nor the stature is known; the drawing then stands on the stature it is drawn with, rolls are left out.
 * @returns null when no girth was measured
 */
export function measureLeg(draft: PlanDraft): MeasuredLeg | null {
  const girths = measureGirths(draft)
  const lowerLeg = lengthOf(draft, lowerLegLength)
  const foot = lengthOf(draft, footLength)
  const inside = lengthOf(draft, insideLeg)
  const model = buildLegModel(girths, {
    lowerLegCm: lowerLeg.cm,
    footCm: foot.cm,
    insideLegCm: Math.max(inside.cm, lowerLeg.cm + 20),
  })
  if (!model) {
    const refused = draft.collect().problems.some((problem) => problem.path.includes('-girth'))
    if (!refused) {
      draft.problem({
        code: 'missing',
        path: 'measurements/calf-girth',
        message:
          'No girth of this leg was measured: measure round the calf at its widest, and better also round the ankle and below the knee.',
      })
    }
    return null
  }
  warnAboutGirthOrder(draft, model)
  return { model, hasLengths: lowerLeg.isKnown && foot.isKnown }
}

function measureGirths(draft: PlanDraft): Partial<Record<LegStationId, Estimate>> {
  const girths: Partial<Record<LegStationId, Estimate>> = {}
  for (const definition of legGirths) {
    const estimate = draft.measure(definition)
    if (estimate) girths[definition.id.replace(/-girth$/, '') as LegStationId] = estimate
  }
  return girths
}

/**
 * A leg to draw whatever was measured: girths that nobody read come from the template, scaled by the stature it is
 * drawn with, and marked estimated. It decides nothing.
 */
export function sketchLeg(draft: PlanDraft): { readonly model: LegModel; readonly hasGirths: boolean } {
  const girths = measureGirths(draft)
  const lowerLegCm = lengthOf(draft, lowerLegLength).cm
  const lengths = {
    lowerLegCm,
    footCm: lengthOf(draft, footLength).cm,
    insideLegCm: Math.max(lengthOf(draft, insideLeg).cm, lowerLegCm + 20),
  }
  const stature = drawnStatureCm(draft.clinicalCase.patient)
  const model = buildLegModel(girths, lengths, calfShareOfStature * stature)
  if (!model) throw new Error('a leg with a fallback girth can always be drawn')
  return { model, hasGirths: Object.keys(girths).length > 0 }
}

function warnAboutGirthOrder(draft: PlanDraft, model: LegModel): void {
  for (const [lesser, greater] of findGirthOrderFaults(model)) {
    draft.caution({
      level: 'caution',
      code: 'girth-order',
      text: 'Measure both again: one of them is a slip.',
      why: `The ${lesser.id.replaceAll('-', ' ')} girth (${lesser.girthCm.toFixed(1)} cm) is more than the ${greater.id.replaceAll('-', ' ')} girth (${greater.girthCm.toFixed(1)} cm); no leg has that.`,
    })
  }
}

/** Notes which of the girths that decide something were estimated rather than measured. */
export function noteEstimatedGirths(draft: PlanDraft, model: LegModel, ids: readonly LegStationId[], decisions: readonly string[]): void {
  const estimated = ids.filter((id) => !model.stations[id].measured)
  if (estimated.length === 0) return
  draft.caution({
    level: 'note',
    code: 'check-reading',
    decisions,
    text: `Estimated, not measured: ${estimated.map((id) => `${id} girth`).join(', ')}. Measure ${estimated.length === 1 ? 'it' : 'them'} if the tape can reach.`,
    why: 'Missing girths are scaled from the ones that were measured and may be 6 % off.',
  })
}

/** Raises `missing` for lengths along the limb that neither a reading nor the stature gives. */
export function requireLegLengths(draft: PlanDraft): void {
  for (const definition of [lowerLegLength, footLength]) {
    if (lengthOf(draft, definition).isKnown) continue
    draft.problem({
      code: 'missing',
      path: `measurements/${definition.id}`,
      message: `${definition.label} is missing: measure it, or enter the patient's height, for the number of rolls.`,
    })
  }
}

function lengthOf(draft: PlanDraft, definition: MeasurementDefinition): { cm: number; isKnown: boolean } {
  const estimate = draft.measure(definition)
  if (estimate) return { cm: estimate.value, isKnown: true }
  const { heightCm } = draft.clinicalCase.patient
  const share = definition.statureShare ?? 0
  return { cm: share * drawnStatureCm(draft.clinicalCase.patient), isKnown: heightCm !== undefined }
}
