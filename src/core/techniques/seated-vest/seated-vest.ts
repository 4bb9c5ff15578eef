import { known, sentence } from '../../planner/answer'
import { trunkGeometry } from '../../planner/body/measure-trunk'
import { neckHeight } from '../../figures/body/measurements/neck'
import { armpitSeat, chestGirth, occiputGap } from '../../figures/body/measurements/trunk'
import { hasFlag } from '../../model/clinical-case'
import { workingOf, type PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import type { Geometry } from '../../model/geometry'
import { scheduleRounds } from '../../planner/schedule-rounds'
import type { Estimate } from '../../figures/body/pool-side'
import type { MeasurementDefinition } from '../../model/measurement-definition'
import { judgeRigidCollar, putsCollarOn, warnUnsetPolicy } from '../families/collar/collar-policy'
import { decideCollarSetting } from '../families/collar/decide-height-setting'
import { decideSize } from '../families/sized/decide-size'
import { readDefaults } from '../../quantities/defaults'
import { heavyDefaults } from '../shared/heavy'
import { decidePeople } from '../shared/decide-people'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { seatedVestOptions } from './options'
import { seatedVestCare, seatedVestFit, seatedVestSteps } from './procedure'
import { seatedVestRelease, seatedVestTroubles } from './trouble'
import { decisions } from './decisions'
import { seatedVestMusts } from './musts'
import { seatedVestRoles, type SeatedVestStep } from './roles'

const noPadBelowCm = 1
const boardMin = 30
const rounds = { upToMin: 60 } as const

/** Short extrication vest for a seated patient. */
export const seatedVest: Technique<SeatedVestStep> = {
  id: 'seated-vest',
  name: 'Seated vest',
  purpose: 'Holds head and trunk of a seated patient in one piece while they are lifted out.',
  bodyRegion: ['neck', 'trunk'],
  regions: ['neck', 'trunk'],
  patterns: ['seated-spine-suspected', 'neck-injury', 'thoracolumbar-fracture'],
  decisions,
  options: seatedVestOptions,
  measurements: (_case, options) => {
    const inFull = options['way'] === 'roadside' ? ('optional' as const) : ('required' as const)
    return [
      { definition: chestGirth, need: 'required' },
      { definition: neckHeight, need: putsCollarOn(options) ? inFull : 'optional' },
      { definition: armpitSeat, need: inFull },
      { definition: occiputGap, need: inFull },
    ]
  },
  uses: (options) => ['seated-vest', ...(putsCollarOn(options) ? ['extrication-collar'] : [])],
  puts: ['lifting-vest', 'round-trunk', 'closed-collar', 'skin-edges', 'unfelt-edges', 'over-injury'],
  judge: (draft, options) => {
    warnUnsetPolicy(draft, options)
    judgeRigidCollar(draft, options, ['setting'])
  },
  answer: (said) =>
    sentence(
      known`Take ${said.brief('fits')}`,
      known`collar set to ${said.brief('setting')}`,
      said.isSome('head-pad') && known`pad ${said.brief('head-pad')} behind the head`,
    ),
  plan: planSeatedVest,
  rounds,
  roles: seatedVestRoles,
  musts: seatedVestMusts,
  isUpright: () => true,
  onUrgent: { holds: 'head', actions: seatedVestRelease },
  comesOff: ['Head straps off, the head held; then chest and leg straps.', 'Slide the vest out, the collar last; lift nothing.'],
  troubles: seatedVestTroubles,
}

function planSeatedVest(draft: PlanDraft, options: OptionValues): TechniqueOutcome<SeatedVestStep> {
  const isRoadside = options['way'] === 'roadside'
  const hasCollar = putsCollarOn(options)
  const take = (definition: MeasurementDefinition): Estimate | null => (isRoadside ? draft.measure(definition) : draft.require(definition))
  const neck = hasCollar ? take(neckHeight) : null
  if (neck) decideCollarSetting(draft, neck, false, 'the head held by hand until the board.')
  decideVest(draft, take(armpitSeat), isRoadside)
  const padCm = decidePad(draft, take(occiputGap))
  const isCrossed = decideLegStraps(draft, options)
  draft.decide({
    id: 'strap-order',
    value: 'middle, bottom, legs, head, top',
    source: 'practice',
    formula: 'Middle first so that it does not tip, top last because it takes breath.',
    working: [],
  })
  const setting = draft.collect().decisions.find((decision) => decision.id === 'setting')
  const { vestKg } = readDefaults(heavyDefaults, draft.ctx.protocol)
  const lifters = (draft.clinicalCase.patient.massKg ?? 0) > vestKg ? 4 : 3
  const steps = seatedVestSteps({
    options,
    isCrossed,
    padCm,
    hasCollar,
    lifters,
    settingWords: setting ? `set to ${setting.display}` : 'by the neck height',
  })
  const relief = ['bystander at the feet, on your word', 'hands and rapid extrication']
  decidePeople(draft, {
    floor: options['put-on-by'] === 'two' ? 2 : 3,
    steps,
    relief,
    because: 'One holds the head, one closes the straps; the third, by the usual school, keeps the trunk from the side.',
  })
  decidePeople(draft, {
    id: 'lifters',
    floor: lifters,
    steps: steps.filter(({ id }) => id === 'board'),
    step: 'board',
    relief,
    because: `Three lift and turn onto the board, one more above ${vestKg} kg.`,
  })
  return { steps, fit: seatedVestFit, care: seatedVestCare, schedule: schedule(draft), geometry: draw(draft) }
}

/** Decides `fits` by chest and armpit to seat; at the roadside by the chest alone. */
function decideVest(draft: PlanDraft, seat: Estimate | null, isRoadside: boolean): void {
  const isByChest = isRoadside && seat === null
  decideSize(draft, {
    decision: 'fits',
    matches: (item) => item.technique === 'seated-vest',
    readings: [
      { definition: chestGirth, estimate: draft.require(chestGirth), allowanceCm: 0 },
      ...(isByChest ? [] : [{ definition: armpitSeat, estimate: seat, allowanceCm: 0 }]),
    ],
    prefer: 'smaller',
    rule: 'odds',
    school: isByChest ? 'By the chest alone' : null,
    ...(isByChest ? { words: 'by the chest alone' } : {}),
    steps: ['vest-in'],
  })
}

function decidePad(draft: PlanDraft, gap: Estimate | null): number | null {
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
