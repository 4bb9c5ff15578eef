import { known, sentence } from '../../planner/answer'
import { legGeometry } from '../../planner/body/leg-geometry'
import { sketchLeg } from '../../planner/body/measure-leg'
import { braceStraps, hingeMoments, shankLength, thighLength, treatmentWeek } from '../../figures/body/measurements/brace'
import { workingOf, type PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import type { Geometry } from '../../model/geometry'
import { pistoning } from '../../figures/sizing/hinge'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { layOut } from '../families/sized/decide-size'
import { decidePeople } from '../shared/decide-people'
import { reviewAfter } from '../shared/review'
import { extraHolder } from '../shared/extra-holder'
import { positionOptionOf, suppliesOption } from '../../planner/shared-options'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { kneeBraceCare, kneeBraceFit, kneeBraceSteps } from './procedure'
import { decideDrift, readHinge } from './hinge-drift'
import { decideStops, exampleProtocol } from './stops'
import { kneeBraceRelease, kneeBraceTroubles } from './trouble'
import { decisions } from './decisions'
import { kneeBraceTaskForms } from './task-forms'
import { hingedKneeBraceMusts } from './musts'
import { hingedKneeBraceRoles, type HingedKneeBraceStep } from './roles'

const barShare = 2 / 3
const shortOfAnkleCm = 3
const strapOverlapCm = 8
/** More slide than this rubs and moves the straps, cm. */
export const pistonLimitCm = 1.5
const rounds = { onlyMin: [60, 960] } as const

const usualStraps = 4
const mostStraps = 8

/** Hinged knee brace with stops. */
export const hingedKneeBrace: Technique<HingedKneeBraceStep> = {
  id: 'hinged-knee-brace',
  name: 'Hinged knee brace',
  purpose: 'Lets a hurt or repaired knee bend between two stops and no further.',
  bodyRegion: 'leg',
  regions: ['knee'],
  patterns: ['knee-ligament', 'patella-fracture', 'knee-post-op', 'tibial-plateau-fracture'],
  decisions,
  options: [
    {
      id: 'protocol',
      label: 'Stops by',
      default: () => exampleProtocol,
      values: [{ id: exampleProtocol, label: 'Example', why: 'Shipped as an example only: it is not an order, and says so.' }],
      more: (protocol) =>
        Object.keys(protocol.stopTables ?? {}).map((id) => ({ id, label: id, why: 'The local table of stops by week, kept by a lead.' })),
    },
    {
      id: 'bar-reach',
      label: 'Lower bar',
      default: () => 'two-thirds',
      values: [
        { id: 'two-thirds', label: 'Two thirds of the shank', why: 'Clear of the ankle, easy under trousers.' },
        { id: 'near-ankle', label: 'Near the ankle', why: 'Longest lever: teams who fear slipping more than rubbing.' },
      ],
    },
    suppliesOption,
    positionOptionOf(['lying', 'seated']),
  ],
  measurements: () => [
    { definition: thighLength, need: 'required' },
    { definition: shankLength, need: 'required' },
    ...braceStraps.flatMap(({ girth, strap }) => [
      { definition: girth, need: 'optional' as const },
      { definition: strap, need: 'optional' as const },
    ]),
    ...hingeMoments.flatMap(({ forward, up }) => [forward, up].map((definition) => ({ definition, need: 'optional' as const }))),
    { definition: treatmentWeek, need: 'optional' },
  ],
  asks: ['brace', 'weight', 'at-home'],
  uses: () => ['hinged-knee-brace'],
  puts: ['limb-device', 'hard-shell', 'skin-edges', 'unfelt-edges', 'over-injury'],
  answer: (said) =>
    sentence(
      known`Set the bars to ${said.brief('upper-bar')} above and ${said.brief('lower-bar')} below`,
      known`stops at ${said.brief('extension-stop')} and ${said.brief('flexion-stop')}`,
      known`lock ${said.brief('lock')}`,
    ),
  plan: planBrace,
  rounds,
  roles: hingedKneeBraceRoles,
  musts: hingedKneeBraceMusts,
  onUrgent: { holds: 'break', actions: kneeBraceRelease },
  comesOff: ['Front straps undone, then the rear ones.', 'Frame and liner out from under the leg, the knee carried.'],
  again: {
    keeps: [
      'identity',
      'position',
      'baseline',
      'open',
      'hinges',
      'buckles',
      'rear-straps',
      'front-straps',
      'stops',
      'lift-toes',
      'after-check',
      'walk',
    ],
    home: [
      'Sit or lie with the knee straight. Lay the open brace under the leg.',
      'Both hinges beside the middle of the knee, a thumb above the joint line.',
      'Straps behind the leg first, then those in front, from the knee outward: snug, never numb.',
      'Do not touch the stops: both sides stay as they are.',
      'Lift your toes and your foot. If they do not come up, open the straps and call.',
    ],
  },
  taskForms: kneeBraceTaskForms,
  troubles: kneeBraceTroubles,
}

function planBrace(draft: PlanDraft, options: OptionValues): TechniqueOutcome<HingedKneeBraceStep> {
  const { orders } = draft.clinicalCase
  const thigh = draft.require(thighLength)
  const shank = draft.require(shankLength)
  const upperCm = thigh ? decideBar(draft, 'upper-bar', barShare * thigh.value, '2/3 of the thigh.', thigh) : null
  const isNear = options['bar-reach'] === 'near-ankle'
  const lowerCm = shank
    ? decideBar(
        draft,
        'lower-bar',
        isNear ? shank.value - shortOfAnkleCm : barShare * shank.value,
        isNear ? 'Shank − 3 cm.' : '2/3 of the shank.',
        shank,
      )
    : null
  decideTrims(draft)
  const week = draft.measure(treatmentWeek)?.value ?? orders.week ?? null
  const stops = decideStops(draft, options, week)
  decidePistoning(draft, stops.flexionDeg)
  layOut(draft, 'brace', 'hinged knee brace', `${stops.extensionDeg}° to ${stops.flexionDeg}°`)
  const stocked = draft.stock((item) => item.technique === 'hinged-knee-brace').inStock[0]
  const straps = Math.min(mostStraps, Number(stocked?.['straps']) || usualStraps)
  const steps = kneeBraceSteps({ clinicalCase: draft.clinicalCase, options, stops, straps })
  decidePeople(draft, { floor: 1 + extraHolder(draft.clinicalCase), steps, relief: [] })
  return { steps, fit: kneeBraceFit, care: kneeBraceCare, schedule: schedule(draft), geometry: draw(draft, upperCm, lowerCm) }
}

function decideBar(
  draft: PlanDraft,
  id: 'upper-bar' | 'lower-bar',
  value: number,
  formula: string,
  from: Parameters<typeof workingOf>[0],
): number {
  return draft.decide({
    id,
    value: Math.max(0, value),
    sd: from.sd,
    source: 'practice',
    formula,
    working: [workingOf(from)],
  })
}

function decideTrims(draft: PlanDraft): void {
  braceStraps.forEach(({ girth, strap }, index) => {
    const round = draft.measure(girth)
    const length = draft.measure(strap)
    if (!round || !length) return
    const value = length.value - round.value - strapOverlapCm
    draft.decide({
      id: `strap-trim-${index + 1}`,
      value,
      display: value < 0 ? `too short by ${(-value).toFixed(1)} cm` : `${value.toFixed(1)} cm`,
      ...(value < 0 ? { status: 'caution' as const } : {}),
      source: 'practice',
      formula: 'Strap length − girth − 8 cm of overlap.',
      working: [workingOf(length), workingOf(round), { label: 'Overlap wanted', value: strapOverlapCm, unit: 'cm', from: 'default' }],
    })
  })
}

/** Decides `pistoning` at the flexion stop from how far the hinge lies off the turning point, as it was last read. */
function decidePistoning(draft: PlanDraft, flexionDeg: number): void {
  const readings = readHinge(draft)
  decideDrift(draft, readings)
  // One offset of two says too little: what both of a moment before gave is kept, and the other is asked for.
  for (const { moment, forward: one, up: other } of readings)
    if ((one === null) !== (other === null)) warnOfHalfOffset(draft, moment.step, (one ? moment.up : moment.forward).label)
  const last = readings.findLast(({ forward: one, up: other }) => one !== null && other !== null)
  if (!last?.forward || !last.up) return
  const { forward, up } = last
  const offsetCm = Math.hypot(forward.value, up.value)
  const slideCm = pistoning(offsetCm, Math.max(0, flexionDeg))
  if (slideCm > pistonLimitCm) {
    draft.caution({
      level: 'caution',
      code: 'pistoning',
      decisions: ['pistoning'],
      steps: [last.moment.step],
      text: 'Move the hinge to the turning point: 2 cm above the joint line, 60 % back.',
      why: `At ${flexionDeg}° the brace slides ${slideCm.toFixed(1)} cm on the leg; ${pistonLimitCm} cm is the limit.`,
    })
  }
  draft.decide({
    id: 'pistoning',
    value: slideCm,
    source: 'physics',
    formula: '2 × offset × sin(half the bend).',
    working: [
      workingOf(forward),
      workingOf(up),
      { label: 'Offset', value: offsetCm, unit: 'cm', from: 'computed', where: 'hinge' },
      ...[30, 60, 90, 120].map((deg) => ({ label: `At ${deg}°`, value: pistoning(offsetCm, deg), unit: 'cm', from: 'computed' as const })),
    ],
  })
}

function warnOfHalfOffset(draft: PlanDraft, step: string, missing: string): void {
  draft.caution({
    level: 'caution',
    code: 'check-reading',
    steps: [step],
    text: `Measure it as well: ${missing.toLowerCase()}.`,
    why: 'How far the brace slides follows from both offsets of the hinge; from one alone it would look smaller than it is.',
  })
}

function draw(draft: PlanDraft, upperCm: number | null, lowerCm: number | null): Geometry {
  const { model } = sketchLeg(draft)
  const base = legGeometry(draft, model, 'groin')
  const kneeCm = model.lowerLegCm - 1
  return {
    ...base,
    angles: { ankle: 90, knee: 0 },
    bands: [
      ...(upperCm === null
        ? []
        : [
            {
              id: 'bar-upper',
              axis: 'leg',
              label: 'Upper bar',
              kind: 'bar' as const,
              fromCm: kneeCm,
              toCm: kneeCm + upperCm,
              decision: 'upper-bar',
            },
          ]),
      ...(lowerCm === null
        ? []
        : [
            {
              id: 'bar-lower',
              axis: 'leg',
              label: 'Lower bar',
              kind: 'bar' as const,
              fromCm: Math.max(0, kneeCm - lowerCm),
              toCm: kneeCm,
              decision: 'lower-bar',
            },
          ]),
    ],
    marks: [...base.marks, { id: 'hinge', axis: 'leg', label: 'Hinge', kind: 'landmark', atCm: kneeCm }],
  }
}

function schedule(draft: PlanDraft): readonly ScheduleEntry[] {
  const text = 'After walking and after a night: foot pulse, toes lifted, hinge on centre, skin under the straps.'
  return [
    ...scheduleRounds(draft.clinicalCase, draft.ctx.protocol, text, false, rounds),
    ...[1, 2, 3].map((day) => ({
      id: `skin-${day}`,
      kind: 'care' as const,
      dueMin: day * 1440,
      graceMin: 240,
      text: 'Skin under liner and straps.',
    })),
    reviewAfter(draft.clinicalCase, { days: 7, graceDays: 1, text: 'Review: stops, hinge, strength.' }),
  ]
}
