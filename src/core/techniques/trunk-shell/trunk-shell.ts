import { known, sentence } from '../../planner/answer'
import { trunkGeometry } from '../../planner/body/measure-trunk'
import {
  backArc,
  chestGirth,
  edgeLoose,
  edgeLying,
  edgeSitting,
  edgeStanding,
  edgeTight,
  frontArc,
  grooveToCrest,
  hipGirth,
  notchPubis,
  overlapLeft,
  overlapRight,
  shellStraps,
  waistGirth,
} from '../../figures/body/measurements/trunk'
import { hasFlag } from '../../model/clinical-case'
import { workingOf, type PlanDraft } from '../../planner/draft'
import type { StepStrap } from '../../model/step'
import type { ScheduleEntry } from '../../model/plan'
import type { Geometry } from '../../model/geometry'
import { readDefaults } from '../../quantities/defaults'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { leastOdds } from '../../figures/sizing/choose-size'
import { oddsLedBy } from '../../figures/sizing/size-odds'
import { decideSize } from '../families/sized/decide-size'
import { fingerSlack, slackDefaults } from '../../figures/straps/finger-slack'
import { decidePeople } from '../shared/decide-people'
import { extraHolder } from '../shared/extra-holder'
import { decideRoll, isScooped, judgeRoll } from '../shared/roll'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { decideClimb, wantedLoose } from './climb'
import { decideEdges, decideOverlap, decideStrapBalance } from './edges'
import { trunkShellOptions } from './options'
import { trunkShellCare, trunkShellFit, trunkShellSteps } from './procedure'
import { trunkShellRelease, trunkShellTroubles } from './trouble'
import { decisions, mostStraps } from './decisions'
import { trunkShellTaskForms } from './task-forms'
import { trunkShellMusts } from './musts'
import { trunkShellRoles, type TrunkShellStep } from './roles'
import { isOrdered } from '../../model/orders'

const usualStraps = 3
const girths = [waistGirth, chestGirth, hipGirth]
/** Without one of them nobody knows whether it fits: too short above, too tight below. */
const sized = [...girths, notchPubis]

/** Two-shell trunk orthosis. */
export const trunkShell: Technique<TrunkShellStep> = {
  id: 'trunk-shell',
  name: 'Two-shell trunk orthosis',
  purpose: 'Holds a thoracolumbar fracture between a front and a back shell, lying or upright as ordered.',
  bodyRegion: 'trunk',
  regions: ['trunk'],
  patterns: ['thoracolumbar-fracture'],
  decisions,
  options: trunkShellOptions,
  measurements: () => [
    ...sized.map((definition) => ({ definition, need: 'required' as const })),
    ...[
      frontArc,
      backArc,
      overlapLeft,
      overlapRight,
      edgeLoose,
      edgeTight,
      edgeLying,
      edgeStanding,
      edgeSitting,
      grooveToCrest,
      ...shellStraps.flatMap(({ left, right }) => [left, right]),
    ].map((definition) => ({
      definition,
      need: 'optional' as const,
    })),
  ],
  asks: ['spine', 'at-home'],
  uses: () => ['trunk-shell'],
  puts: ['round-trunk', 'skin-edges', 'unfelt-edges', 'over-injury'],
  judge: judgeTrunk,
  answer: (said) => sentence(known`Take ${said.brief('size')}`, known`${said.brief('people')} to put it on`),
  plan: planTrunkShell,
  roles: trunkShellRoles,
  musts: trunkShellMusts,
  isUpright: (options) => options['way'] !== 'lying',
  onUrgent: { holds: 'spine', actions: trunkShellRelease },
  comesOff: ['Straps undone, flat; the front off.', 'Roll as one piece, the back shell out, back flat.'],
  again: {
    keeps: [
      'hold-head',
      'identity',
      'position',
      'baseline',
      'tell-apart',
      'roll',
      'back-on',
      'front-on',
      'edge-loose',
      'straps',
      'edge-height',
      'sit',
      'stand',
      'after-check',
    ],
    home: [
      'Clean shirt on, without a crease. Tell front and back apart: the half with the rings is the back.',
      'Feel the top of the hip bone. The groove of the shell sits just above it, on both sides.',
      'Back half first, pressed flat; the front half over the back one, never under it.',
      'Straps from the lowest up, left and right in turn: push the halves together, then pull. Firm, and a whole sentence can be said.',
      'The upper edge stays one to three finger widths below the throat, sitting too. If it sits at the neck, lie down, open it, begin again.',
      'Getting up: on the side with straight back, legs over the edge, push up with the arms.',
    ],
  },
  taskForms: trunkShellTaskForms,
  troubles: trunkShellTroubles,
}

function judgeTrunk(draft: PlanDraft, options: OptionValues): void {
  const order = draft.clinicalCase.orders.spine
  const spine = order?.withdrawn ? undefined : order?.posture
  const way = options['way']
  if (way === 'lying') return judgeFlat(draft, options)
  const isOrdered = way === 'sitting-edge' ? spine === 'sitting' || spine === 'standing' : spine === 'standing'
  if (isOrdered) return warnUnsigned(draft)
  draft.caution({
    level: 'stop',
    code: 'not-ordered',
    steps: ['position'],
    text: `Not ${way === 'sitting-edge' ? 'sitting' : 'standing'} without a recorded spine order: put it on lying.`,
    why: 'Upright, the weight of the body comes on the fracture before anything holds it.',
  })
}

/** An order of before that names nobody. */
function warnUnsigned(draft: PlanDraft): void {
  if (isOrdered(draft.clinicalCase.orders.spine)) return
  draft.caution({
    level: 'caution',
    code: 'not-ordered',
    steps: ['position'],
    text: 'Have the spine order given again by name: who, when, how far up.',
    why: 'Nobody is named for it, and a word that was ticked is no order.',
  })
}

/** Lying: who must not lie flat, and who must not be rolled. */
function judgeFlat(draft: PlanDraft, options: OptionValues): void {
  judgeRoll(draft, options)
  for (const [flag, text, why] of [
    [
      'pregnant-late',
      'Tilt the whole bed, 15 to 30° to the left; never simply flat.',
      'The womb presses on the great vein when she lies flat.',
    ],
    ['breathless-lying', 'Tilt the whole bed, head end up, the spine in one line.', 'Lying flat makes breathing worse.'],
  ] as const) {
    if (hasFlag(draft.clinicalCase, flag)) draft.caution({ level: 'caution', code: flag, steps: ['position', 'roll'], text, why })
  }
}

function planTrunkShell(draft: PlanDraft, options: OptionValues): TechniqueOutcome<TrunkShellStep> {
  const isLying = options['way'] === 'lying'
  const readings = girths.map((definition) => ({ definition, estimate: draft.require(definition), allowanceCm: 0 }))
  draft.require(notchPubis)
  const waist = readings[0]?.estimate ?? null
  const size = decideSize(draft, {
    decision: 'size',
    matches: (item) => item.technique === 'trunk-shell',
    readings,
    prefer: 'smaller',
    rule: 'odds',
    combine: oddsLedBy(waistGirth.id, leastOdds),
    school: null,
    steps: ['tell-apart'],
  })
  decideOverlap(draft, waist)
  decideClimb(draft)
  decideEdges(draft)
  decideStrapBalance(draft)
  const straps = Math.min(mostStraps, Number(size?.item['straps']) || usualStraps)
  if (options['tightness'] === 'two-finger') decideSlacks(draft, straps)
  const steps = trunkShellSteps({
    options,
    isScooped: isLying && isScooped(draft, options),
    pairs: listStraps(draft, straps),
    looseWords: wantedLoose(draft),
    spine: draft.clinicalCase.orders.spine?.posture,
  })
  if (isLying) decideRoll(draft, options, steps)
  else decidePeople(draft, { floor: 2 + extraHolder(draft.clinicalCase), steps, relief: ['put it on lying'] })
  return { steps, fit: trunkShellFit, care: trunkShellCare, schedule: schedule(draft), geometry: draw(draft, straps) }
}

/** Decides `strap-slack-1…n`, from the top: two fingers, on the girth where each strap lies. */
function decideSlacks(draft: PlanDraft, straps: number): void {
  const { fingerCm } = readDefaults(slackDefaults, draft.ctx.protocol)
  const order = [draft.measure(chestGirth), draft.measure(waistGirth), draft.measure(hipGirth)]
  for (let index = 0; index < straps; index++) {
    const at = straps === 1 ? 1 : (index / (straps - 1)) * (order.length - 1)
    const below = order[Math.floor(at)]
    const above = order[Math.ceil(at)]
    if (!below || !above) continue
    const girthCm = below.value + (at - Math.floor(at)) * (above.value - below.value)
    const slackCm = fingerSlack(girthCm / (2 * Math.PI), 2, fingerCm)
    draft.decide({
      id: `strap-slack-${index + 1}`,
      value: slackCm,
      display: `${slackCm.toFixed(1)} cm of strap, ${((100 * slackCm) / girthCm).toFixed(1)} % of the girth`,
      source: 'physics',
      formula: 'How much longer a loop is with two fingers under it on a round part.',
      working: [
        ...(below === above ? [workingOf(below)] : [workingOf(below), workingOf(above)]),
        { label: 'Half thickness of a finger', value: fingerCm, unit: 'cm', from: 'default' },
      ],
    })
  }
}

/** The straps from the top down, each with the slack that was decided for it. */
function listStraps(draft: PlanDraft, count: number): readonly StepStrap[] {
  const { decisions } = draft.collect()
  return Array.from({ length: count }, (_, index): StepStrap => {
    const slack = decisions.find((decision) => decision.id === `strap-slack-${index + 1}`)?.value
    return {
      id: `strap-${index + 1}`,
      label: `Strap ${index + 1} from the top`,
      slackCm: typeof slack === 'number' ? slack : null,
    }
  })
}

function draw(draft: PlanDraft, straps: number): Geometry {
  const base = trunkGeometry(draft)
  const lengthCm = base.axes[0]?.lengthCm ?? 50
  const clearance = (draft.measure(edgeSitting) ?? draft.measure(edgeStanding) ?? draft.measure(edgeLying))?.value ?? 2
  return {
    ...base,
    bands: [
      {
        id: 'groove',
        axis: 'trunk',
        label: 'Waist groove, on the hip crest',
        kind: 'zone',
        fromCm: 0.36 * lengthCm - 1,
        toCm: 0.36 * lengthCm + 1,
        decision: 'verdict',
      },
      {
        id: 'front',
        axis: 'trunk',
        label: 'Front shell',
        kind: 'shell',
        fromCm: 0,
        toCm: Math.max(1, lengthCm - clearance),
        decision: 'verdict',
      },
      {
        id: 'back',
        axis: 'trunk',
        label: 'Back shell',
        kind: 'shell',
        fromCm: 0,
        toCm: Math.max(1, lengthCm - clearance - 4),
        decision: 'overlap',
      },
      ...Array.from({ length: straps }, (_, index) => {
        const share = straps === 1 ? 0.5 : 0.82 - (index / (straps - 1)) * 0.72
        return {
          id: `strap-${index + 1}`,
          axis: 'trunk',
          label: `Strap ${index + 1}`,
          kind: 'strap' as const,
          fromCm: share * lengthCm - 2,
          toCm: share * lengthCm + 2,
          decision: `strap-slack-${index + 1}`,
        }
      }),
    ],
  }
}

function schedule(draft: PlanDraft): readonly ScheduleEntry[] {
  return [
    ...scheduleRounds(draft.clinicalCase, draft.ctx.protocol, 'Breathing, belly, all four limbs, saddle feeling, bladder.'),
    ...[1, 2, 3].map((day) => ({
      id: `skin-${day}`,
      kind: 'care' as const,
      dueMin: day * 1440,
      graceMin: 240,
      text: 'Skin under the shell, fresh shirt, edge sitting.',
    })),
    { id: 'review', kind: 'review', dueMin: 1440, graceMin: 1440, text: 'Review: films upright, seat of the shell.' },
  ]
}
