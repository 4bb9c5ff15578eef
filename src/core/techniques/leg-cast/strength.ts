import { asEstimate } from '../../planner/format-decision'
import type { LegModel } from '../../figures/body/leg-model'
import type { PlanDraft } from '../../planner/draft'
import { defineDefaults, readDefaults } from '../../quantities/defaults'
import { isPlaster } from '../../figures/setting-time/working-time'
import type { SettingMaterial } from '../../model/setting-material'
import { layerDefaults } from '../../figures/slabs/slab-layers'
import { kneeMoment, legParts } from '../../figures/traction/leg-masses'
import { paddedAt } from '../families/wraps/leg-wraps'

export const castStrengthDefaults = defineDefaults('cast-strength', {
  plasterMPa: { value: 1.5, unit: 'MPa', source: 'model', note: 'plaster one hour after wetting' },
  fibreglassMPa: { value: 10, unit: 'MPa', source: 'model' },
  kneeLayers: { value: 2, unit: 'layers', source: 'practice', note: 'crossing turns over the knee' },
  leastFactor: { value: 2, unit: 'ratio', source: 'practice' },
})

const nPerCm2PerMPa = 100
const malleoliShare = 0.137

/**
 * Decides `knee-strength`: strength of the tube at the knee ÷ the moment of the leg carried at groin and heel: σ·π·r²·τ/M.
 * Raises `knee-strength` below 2, and `missing` without the patient's mass.
 * @param layers cast-layers, those of the crossing turns not counted
 */
export function decideKneeStrength(draft: PlanDraft, model: LegModel, material: SettingMaterial, layers: number): void {
  const { massKg, heightCm } = draft.clinicalCase.patient
  if (massKg === undefined) {
    draft.problem({
      code: 'missing',
      path: 'patient/massKg',
      message: "The patient's mass is missing: enter it in kg, for the strength of the cast at the knee.",
    })
    return
  }
  const strength = readDefaults(castStrengthDefaults, draft.ctx.protocol)
  const thickness = readDefaults(layerDefaults, draft.ctx.protocol)
  const plaster = isPlaster(material)
  const tau = (layers + strength.kneeLayers) * (plaster ? thickness.plasterLayerCm : thickness.fibreglassPlyCm)
  const radius = paddedAt(draft, model.stations.knee) / (2 * Math.PI)
  const span = {
    insideLegCm: model.insideLegCm,
    lowerLegCm: model.lowerLegCm,
    footHeightCm: heightCm === undefined ? malleoliShare * model.lowerLegCm : 0.039 * heightCm,
  }
  const momentNcm = kneeMoment(legParts(massKg, span, draft.ctx.protocol), span)
  const sigma = (plaster ? strength.plasterMPa : strength.fibreglassMPa) * nPerCm2PerMPa
  const factor = (sigma * Math.PI * radius ** 2 * tau) / momentNcm
  if (factor < strength.leastFactor) {
    draft.caution({
      level: 'caution',
      code: 'knee-strength',
      decisions: ['knee-strength'],
      steps: ['reinforce', 'transfer'],
      text: 'Add crossing turns at the knee; lift the leg under thigh and calf, never by the heel.',
      why: `In this estimate the knee holds only ${factor.toFixed(1)} times the weight of the leg lifted by the heel.`,
    })
  }
  draft.decide({
    id: 'knee-strength',
    value: factor,
    display: asEstimate(`${factor.toFixed(1)} times the leg lifted by the heel`),
    source: 'model',
    formula: 'Bending strength × π × radius² × thickness of the tube at the knee ÷ moment of the leg carried at groin and heel.',
    working: [
      { label: 'Bending strength', value: sigma / nPerCm2PerMPa, unit: 'MPa', from: 'default' },
      { label: 'Radius at the knee', value: radius, unit: 'cm', from: 'computed', where: 'knee' },
      { label: 'Thickness', value: tau, unit: 'cm', from: 'computed' },
      { label: 'Moment at the knee', value: momentNcm / 100, unit: 'Nm', from: 'computed' },
      { label: 'Body mass', value: massKg, unit: 'kg', from: 'measured' },
    ],
  })
}
