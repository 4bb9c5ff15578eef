import type { ClinicalCase, Measurement } from '../model/clinical-case'
import type { PlanContext } from '../model/plan-context'
import type { Plan } from '../model/plan'
import { planCase } from './plan-case'
import type { SourceKind } from '../quantities/defaults'
import type { MeasurementDefinition } from '../model/measurement-definition'
import type { OptionValues, Technique } from '../planner/technique'

const typicalHeightCm = 171

/** What a guide page shows beside the technique's own words: its plan for an ordinary adult. */
export interface GuidePage {
  readonly technique: Technique
  readonly measured: readonly MeasurementDefinition[]
  readonly plan: Plan
  /** How each decision is found, by the kind of its source. */
  readonly sources: readonly {
    readonly kind: SourceKind
    readonly decisions: readonly { readonly label: string; readonly formula: string }[]
  }[]
}

export const sourceKindWords: Readonly<Record<SourceKind, string>> = {
  anatomy: 'Anatomy: body tables',
  physics: 'Physics: textbook laws',
  practice: 'Practice: usual rules of the trade',
  model: 'Model: our own estimates',
}

/**
 * Puts together what is read beforehand about a technique. Steps and figures are those of an ordinary adult whose
 * readings follow from stature, so that the page says nothing that the planner would not say.
 * @param schools chosen schools by option id; the usual ones where they are left out
 */
export function guidePage(technique: Technique, ctx: PlanContext, schools: OptionValues = {}): GuidePage {
  const clinicalCase = { ...ordinaryCase(technique), options: schools }
  const measured = technique.measurements(clinicalCase, clinicalCase.options).map((measurement) => measurement.definition)
  const plan = planCase({ ...clinicalCase, measurements: measured.flatMap(ordinaryReadings) }, ctx)
  if (!plan) throw new Error(`Technique ${technique.id} does not plan`)
  const sources = (Object.keys(sourceKindWords) as SourceKind[]).map((kind) => ({
    kind,
    decisions: plan.decisions.filter((decision) => decision.source === kind).map(({ label, formula }) => ({ label, formula })),
  }))
  return { technique, measured, plan, sources: sources.filter((source) => source.decisions.length > 0) }
}

function ordinaryCase(technique: Technique): ClinicalCase {
  const region = technique.regions[0]
  const hasSide = region !== 'neck' && region !== 'trunk'
  return {
    technique: technique.id,
    patient: { ageYears: 40, heightCm: typicalHeightCm, massKg: 70, flags: [] },
    injury: {
      pattern: technique.patterns[0] ?? 'other',
      flags: [],
      swelling: 'none',
      levelCm: null,
      ...(region ? { region } : {}),
      ...(hasSide ? { side: 'left' as const } : {}),
    },
    options: {},
    measurements: [],
    crew: { people: null },
    environment: { waterC: 22, roomC: 21, backing: 'air', stretcherCm: 200 },
    stock: 'catalogue',
    orders: {},
    device: { material: 'plaster-fast', layers: 7, paddingLayers: 2, minutesSince: 60 },
    overrules: [],
  }
}

/** Readings of the ordinary adult by their share of stature; what stature says nothing about is left out. */
function ordinaryReadings(definition: MeasurementDefinition): readonly Measurement[] {
  if (definition.statureShare === null || definition.signed) return []
  const reading = { id: definition.id, value: Math.round(definition.statureShare * typicalHeightCm * 10) / 10, unit: 'cm' as const }
  switch (definition.sideRule) {
    case 'none':
      return [reading]
    case 'both':
      return [
        { ...reading, side: 'left' },
        { ...reading, side: 'right' },
      ]
    case 'wearing':
      return [{ ...reading, side: 'left' }]
    case 'uninjured':
    case 'swollen':
      return [{ ...reading, side: 'right' }]
  }
}
