import { calfGirth, insideLeg, lowerLegLength } from '../../figures/body/measurements/leg'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { layOut } from '../../planner/decide/decide-size'
import { decideStrapPlaces } from '../../planner/decide/decide-strap-places'
import { decidePull } from '../../planner/decide/decide-pull'
import { measureSpan } from '../../planner/decide/measure-span'
import { decidePeople } from '../shared/decide-people'
import { convertMin, decideConvert, drawFieldSplint, fieldRounds, fieldSchedule, strapsOf } from '../shared/field-splint'
import { extraHolder } from '../shared/hold'
import { pullOf, strapsAt } from '../shared/step-pull'
import { judgeTraction, loadOption, requireMass } from '../shared/traction-rules'
import { positionOption, suppliesOption } from '../../planner/shared-options'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { frameTractionCare, frameTractionFit, frameTractionSteps } from './procedure'
import { frameTractionRelease, frameTractionTroubles } from './trouble'
import { decisions } from './decisions'

const beyondLegCm = 25
const stationLimitMin = 10

/** Two-bar frame with a ratchet. */
export const frameTraction: Technique = {
  id: 'frame-traction',
  name: 'Frame traction splint',
  purpose: 'Pulls a broken thigh to length on the way in between two bars: sturdy, needs two people and room.',
  bodyRegion: 'leg',
  regions: ['thigh'],
  patterns: ['femoral-shaft-fracture'],
  decisions,
  options: [loadOption(['relief', 'tenth']), suppliesOption, positionOption],
  measurements: () => [
    { definition: insideLeg, need: 'required' },
    { definition: lowerLegLength, need: 'optional' },
    { definition: calfGirth, need: 'optional' },
  ],
  uses: () => ['frame-traction'],
  puts: ['leg-pull', 'ankle-hitch'],
  judge: judgeTraction,
  plan: planFrame,
  rounds: fieldRounds,
  onUrgent: { device: 'traction', actions: frameTractionRelease },
  troubles: frameTractionTroubles,
}

function planFrame(draft: PlanDraft, options: OptionValues): TechniqueOutcome {
  const massKg = requireMass(draft)
  const span = measureSpan(draft)
  const inside = draft.measure(insideLeg)
  const frameCm = inside
    ? draft.decide({
        id: 'frame-length',
        value: inside.value + beyondLegCm,
        sd: inside.sd,
        source: 'practice',
        formula: 'Inside leg + 25 cm, set on the sound leg.',
        working: [workingOf(inside), { label: 'Beyond the heel', value: beyondLegCm, unit: 'cm', from: 'default' }],
      })
    : null
  if (massKg !== null) decidePull(draft, { decision: 'load', school: String(options['load']), massKg, strips: null, isSkin: false })
  const straps = strapsOf(draft, 'frame-traction', 4, 'frame splint')
  const placesCm = span ? decideStrapPlaces(draft, span, straps, span.insideLegCm) : []
  const loading = decideLoading(draft)
  decideConvert(draft)
  layOut(draft, 'splint', 'frame splint', frameCm === null ? 'length by the inside leg' : `${frameCm.toFixed(0)} cm`)
  const load = draft.collect().decisions.find((one) => one.id === 'load')
  const steps = frameTractionSteps({
    side: draft.clinicalCase.injury.side,
    frameWords: frameCm === null ? 'by the inside leg' : `${frameCm.toFixed(0)} cm`,
    pullWords: load?.display ?? 'as ordered',
    pull: pullOf(draft, 'load'),
    straps: strapsAt(placesCm),
    convertMin,
    strapWords: placesCm.length > 0 ? `at ${placesCm.map((at) => `${at}`).join(', ')} cm above the sole` : 'clear of injury and knee',
    loadingWords: loading ?? 'feet first if the frame overhangs',
  })
  decidePeople(draft, {
    floor: 2 + extraHolder(draft.clinicalCase),
    steps,
    relief: ['a pole splint, which one person can put on'],
    limitMin: stationLimitMin,
  })
  return {
    steps,
    fit: frameTractionFit,
    care: frameTractionCare,
    schedule: fieldSchedule(draft),
    geometry: drawFieldSplint(draft, span, placesCm, beyondLegCm, 'frame-length'),
  }
}

/** Decides `loading`: feet first when stature and frame overhang the stretcher. */
function decideLoading(draft: PlanDraft): string | null {
  const { heightCm } = draft.clinicalCase.patient
  const { stretcherCm } = draft.clinicalCase.environment
  if (heightCm === undefined) {
    draft.problem({
      code: 'missing',
      path: 'patient/heightCm',
      message: "The patient's height is missing: enter it in cm, for the way onto the stretcher.",
    })
    return null
  }
  const value = draft.decide({
    id: 'loading',
    value: heightCm + beyondLegCm > stretcherCm ? 'feet-first' : 'head-first',
    source: 'practice',
    formula: 'Feet first when stature + 25 cm is more than the stretcher, else head first.',
    working: [
      { label: 'Stature', value: heightCm, unit: 'cm', from: 'measured' },
      { label: 'Frame beyond the heel', value: beyondLegCm, unit: 'cm', from: 'default' },
      { label: 'Stretcher', value: stretcherCm, unit: 'cm', from: 'default' },
    ],
  })
  return value.replace('-', ' ')
}
