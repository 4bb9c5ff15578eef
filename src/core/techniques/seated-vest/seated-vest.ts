import { trunkGeometry } from '../../planner/body/measure-trunk'
import { neckHeight } from '../../figures/body/measurements/neck'
import { armpitSeat, chestGirth, occiputGap } from '../../figures/body/measurements/trunk'
import { hasFlag } from '../../model/clinical-case'
import { workingOf, type PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import type { Geometry } from '../../model/geometry'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { decideCollarSetting } from '../families/collar/decide-height-setting'
import { decideSize } from '../families/sized/decide-size'
import { decidePeople } from '../shared/decide-people'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { seatedVestOptions } from './options'
import { seatedVestCare, seatedVestFit, seatedVestSteps } from './procedure'
import { seatedVestRelease, seatedVestTroubles } from './trouble'
import { decisions } from './decisions'

const noPadBelowCm = 1
const boardMin = 30
const rounds = { upToMin: 60 } as const

/** Short extrication vest for a seated patient. */
export const seatedVest: Technique = {
  id: 'seated-vest',
  name: 'Seated vest',
  purpose: 'Holds head and trunk of a seated patient in one piece while they are lifted out.',
  bodyRegion: ['neck', 'trunk'],
  regions: ['neck', 'trunk'],
  patterns: ['seated-spine-suspected', 'neck-injury', 'thoracolumbar-fracture'],
  decisions,
  options: seatedVestOptions,
  measurements: () => [
    { definition: neckHeight, need: 'required' },
    { definition: chestGirth, need: 'required' },
    { definition: armpitSeat, need: 'required' },
    { definition: occiputGap, need: 'required' },
  ],
  uses: () => ['seated-vest', 'extrication-collar'],
  puts: ['lifting-vest'],
  plan: planSeatedVest,
  rounds,
  onUrgent: { device: 'collar', actions: seatedVestRelease },
  troubles: seatedVestTroubles,
}

function planSeatedVest(draft: PlanDraft, options: OptionValues): TechniqueOutcome {
  const neck = draft.require(neckHeight)
  if (neck) decideCollarSetting(draft, neck, false)
  decideVest(draft)
  const padCm = decidePad(draft)
  const isCrossed = decideLegStraps(draft, options)
  draft.decide({
    id: 'strap-order',
    value: 'middle, bottom, legs, head, top',
    source: 'practice',
    formula: 'Middle first so that it does not tip, top last because it takes breath.',
    working: [],
  })
  const setting = draft.collect().decisions.find((one) => one.id === 'setting')
  const steps = seatedVestSteps({ options, isCrossed, padCm, settingWords: setting ? `set to ${setting.display}` : 'by the neck height' })
  decidePeople(draft, { floor: 2, steps, relief: ['bystander at the feet, on your word', 'hands and rapid extrication'] })
  return { steps, fit: seatedVestFit, care: seatedVestCare, schedule: schedule(draft), geometry: draw(draft) }
}

function decideVest(draft: PlanDraft): void {
  const readings = [chestGirth, armpitSeat].map((definition) => ({ definition, estimate: draft.require(definition), allowanceCm: 0 }))
  decideSize(draft, {
    decision: 'fits',
    matches: (item) => item.technique === 'seated-vest',
    readings,
    prefer: 'smaller',
    rule: 'odds',
    school: null,
    steps: ['vest-in'],
  })
}

function decidePad(draft: PlanDraft): number | null {
  const gap = draft.require(occiputGap)
  if (!gap) return null
  return draft.decide({
    id: 'head-pad',
    value: gap.value < noPadBelowCm ? 0 : gap.value,
    sd: gap.sd,
    source: 'practice',
    formula: 'The gap behind the head with the back straight and eyes level; none below 1 cm.',
    working: [workingOf(gap)],
  })
}

function decideLegStraps(draft: PlanDraft, options: OptionValues): boolean {
  const isForced = hasFlag(draft.clinicalCase, 'pelvis-suspected')
  const value = draft.decide({
    id: 'leg-straps',
    value: isForced ? 'same-side' : String(options['leg-straps']),
    school: isForced ? 'Same side: the pelvis is suspected' : null,
    source: 'practice',
    formula: 'As chosen; to the same side whenever the pelvis is suspected.',
    working: [{ label: 'Chosen', value: String(options['leg-straps']), unit: null, from: 'option' }],
  })
  return value === 'crossed'
}

function draw(draft: PlanDraft): Geometry {
  const base = trunkGeometry(draft)
  const lengthCm = base.axes[0]?.lengthCm ?? 50
  return {
    ...base,
    bands: [
      { id: 'vest', axis: 'trunk', label: 'Vest', kind: 'shell', fromCm: 0.1 * lengthCm, toCm: 0.9 * lengthCm, decision: 'fits' },
      ...[0.8, 0.55, 0.3].map((share, index) => ({
        id: `strap-${index + 1}`,
        axis: 'trunk',
        label: ['Top strap', 'Middle strap', 'Bottom strap'][index] ?? 'Strap',
        kind: 'strap' as const,
        fromCm: share * lengthCm - 2,
        toCm: share * lengthCm + 2,
        decision: 'strap-order',
      })),
    ],
  }
}

function schedule(draft: PlanDraft): readonly ScheduleEntry[] {
  return [
    ...scheduleRounds(draft.clinicalCase, draft.ctx.protocol, 'Breathing, neck veins, all four limbs.', false, rounds),
    { id: 'board', kind: 'remove', dueMin: boardMin, graceMin: 5, text: 'Off board and vest.' },
  ]
}
