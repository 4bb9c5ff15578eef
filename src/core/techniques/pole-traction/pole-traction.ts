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
import { poleTractionCare, poleTractionFit, poleTractionSteps } from './procedure'
import { poleTractionRelease, poleTractionTroubles } from './trouble'
import { decisions } from './decisions'

const beyondLegCm = 20
const sectionCm = 25

/** One-pole field splint. */
export const poleTraction: Technique = {
  id: 'pole-traction',
  name: 'Pole traction splint',
  purpose: 'Pulls a broken thigh to length on the way in, by one person: quick, light, folds, less sturdy than a frame.',
  bodyRegion: 'leg',
  regions: ['thigh'],
  patterns: ['femoral-shaft-fracture'],
  decisions,
  options: [loadOption(['tenth', 'relief']), suppliesOption, positionOption],
  measurements: () => [
    { definition: insideLeg, need: 'required' },
    { definition: lowerLegLength, need: 'optional' },
    { definition: calfGirth, need: 'optional' },
  ],
  uses: () => ['pole-traction'],
  puts: ['leg-pull', 'ankle-hitch'],
  judge: judgeTraction,
  plan: planPole,
  rounds: fieldRounds,
  onUrgent: { device: 'traction', actions: poleTractionRelease },
  troubles: poleTractionTroubles,
}

function planPole(draft: PlanDraft, options: OptionValues): TechniqueOutcome {
  const massKg = requireMass(draft)
  const span = measureSpan(draft)
  const inside = draft.measure(insideLeg)
  let poleCm: number | null = null
  if (inside) {
    poleCm = draft.decide({
      id: 'pole-length',
      value: inside.value + beyondLegCm,
      sd: inside.sd,
      source: 'practice',
      formula: 'Inside leg + 20 cm.',
      working: [workingOf(inside), { label: 'Beyond the heel', value: beyondLegCm, unit: 'cm', from: 'default' }],
    })
    draft.decide({
      id: 'sections',
      value: Math.ceil(poleCm / sectionCm - 1e-9),
      source: 'practice',
      formula: 'Pole length ÷ 25 cm, rounded up.',
      working: [{ label: 'Pole length', value: poleCm, unit: 'cm', from: 'computed' }],
    })
  }
  if (massKg !== null) decidePull(draft, { decision: 'load', school: String(options['load']), massKg, strips: null, isSkin: false })
  const straps = strapsOf(draft, 'pole-traction', 3, 'pole splint')
  const placesCm = span ? decideStrapPlaces(draft, span, straps, span.insideLegCm) : []
  decideConvert(draft)
  layOut(draft, 'splint', 'pole splint', poleCm === null ? 'length by the inside leg' : `${poleCm.toFixed(0)} cm`)
  const load = draft.collect().decisions.find((one) => one.id === 'load')
  const steps = poleTractionSteps({
    side: draft.clinicalCase.injury.side,
    poleWords: poleCm === null ? 'by the inside leg' : `${poleCm.toFixed(0)} cm`,
    pullWords: load?.display ?? 'as ordered',
    pull: pullOf(draft, 'load'),
    straps: strapsAt(placesCm),
    convertMin,
    strapWords: placesCm.length > 0 ? `at ${placesCm.map((at) => `${at}`).join(', ')} cm above the sole` : 'clear of injury and knee',
  })
  decidePeople(draft, { floor: 1 + extraHolder(draft.clinicalCase), steps, relief: ['splint it to the other leg'] })
  return {
    steps,
    fit: poleTractionFit,
    care: poleTractionCare,
    schedule: fieldSchedule(draft),
    geometry: drawFieldSplint(draft, span, placesCm, beyondLegCm, 'pole-length'),
  }
}
