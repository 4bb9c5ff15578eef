import { known, sentence } from '../../planner/answer'
import { neckGeometry } from '../../planner/body/measure-neck'
import { collarSkin, linerMargin, strapOverhang } from '../../figures/body/measurements/neck'
import { workingOf, type PlanDraft } from '../../planner/draft'
import type { ScheduleEntry } from '../../model/plan'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { judgeRigidCollar } from '../families/collar/collar-policy'
import { decideRoll, isScooped, judgeRoll, rollHands, rollPeople } from '../shared/roll'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { careCollarOptions } from './options'
import { hasFlag } from '../../model/clinical-case'
import { careCollarCare, careCollarFit } from './fit'
import { careCollarSteps } from './procedure'
import type { Turners } from './roll-steps'
import { decideSkin } from './skin'
import { careCollarRelease, careCollarTroubles } from './trouble'
import { decisions } from './decisions'
import { careCollarTaskForms } from './task-forms'
import { careCollarMusts } from './musts'
import { careCollarRoles, type CareCollarStep } from './roles'

const balanceCm = 0.5
const marginCm = 0.5
const horizonH = 72

/** Daily care of a two-piece collar. */
export const careCollar: Technique<CareCollarStep> = {
  id: 'care-collar',
  name: 'Care collar',
  purpose: 'Keeps an injured neck held for days to weeks, with skin looked at and liners changed every day.',
  bodyRegion: 'neck',
  regions: ['neck'],
  patterns: ['neck-injury'],
  decisions,
  options: careCollarOptions,
  measurements: () => [strapOverhang, linerMargin, ...collarSkin].map((definition) => ({ definition, need: 'optional' as const })),
  uses: () => [],
  puts: ['closed-collar', 'held-lying', 'skin-edges', 'unfelt-edges', 'over-injury'],
  judge: (draft, options) => {
    judgeRoll(draft, options)
    judgeRigidCollar(draft, options, [])
  },
  answer: (said) =>
    sentence(known`Care again in ${said.brief('next-care')}, with ${said.brief('people')}`, known`turn: ${said.brief('turn')}`),
  plan: planCareCollar,
  roles: careCollarRoles,
  musts: careCollarMusts,
  carries: () => ['head'],
  onUrgent: { holds: 'head', actions: careCollarRelease },
  asks: ['at-home'],
  again: {
    keeps: [
      'hold-head',
      'identity',
      'baseline',
      'front-on',
      'ready-roll',
      'roll',
      'back-on',
      'back-strap',
      'roll-back',
      'settle',
      'margin',
      'after-check',
    ],
    home: [
      'Never alone: one holds the head with both hands from above, lying flat, and lets go last.',
      'Fresh dry liners, soft side to the shell, standing out past every edge.',
      'The back half first, slid in flat, its arrow up; then the front over the back, the chin on its rest.',
      'Both straps equally tight. Nose, chin and breastbone in one line.',
      'New weakness, tingling, or trouble to breathe or swallow: leave it as it is, keep still, and call.',
    ],
  },
  comesOff: ['Straps undone, the front off.', 'Slide the back half out from under the neck; lift nothing.'],
  oldOffBefore: 'look-front',
  taskForms: careCollarTaskForms,
  repeatedAs: 'care',
  troubles: careCollarTroubles,
}

function planCareCollar(draft: PlanDraft, options: OptionValues): TechniqueOutcome<CareCollarStep> {
  decideBalance(draft)
  decideMargin(draft)
  const isReddening = decideSkin(draft)
  const hours = decideNextCare(draft, options, isReddening)
  const steps = careCollarSteps({
    isScooped: isScooped(draft, options),
    isFlat: options['posture'] !== 'as-allowed',
    rollHands: rollHands(options),
    turners: turnersOf(draft, options),
    isFirst: draft.clinicalCase.replaces !== undefined,
  })
  decideRoll(draft, options, steps)
  const base = neckGeometry(draft)
  const lengthCm = base.axes[0]?.lengthCm ?? 6
  return {
    steps,
    relief: ['call the next ward', 'wait with the head held'],
    fit: careCollarFit,
    care: careCollarCare,
    schedule: schedule(draft, hours),
    geometry: {
      ...base,
      bands: [
        { id: 'front', axis: 'neck', label: 'Front half', kind: 'shell', fromCm: 0, toCm: lengthCm, decision: 'strap-balance' },
        { id: 'back', axis: 'neck', label: 'Back half', kind: 'shell', fromCm: 0, toCm: lengthCm, decision: 'liner-margin' },
      ],
    },
  }
}

/** Who turns and holds the patient on the side, beside the head and the carer. */
function turnersOf(draft: PlanDraft, options: OptionValues): Turners {
  const people = rollPeople(draft, options)
  const isCleared = options['spine-below'] === 'cleared'
  const canHold = isCleared && !hasFlag(draft.clinicalCase, 'unresponsive')
  return { people, isHeavy: people % 2 === 1, isCleared, holdsRail: canHold }
}

/** Decides `next-care`: by its frequency, halved where skin reddens and still blanches. */
function decideNextCare(draft: PlanDraft, options: OptionValues, isReddening: boolean): number {
  const usualH = options['frequency'] === 'twice-daily' ? 12 : 24
  return draft.decide({
    id: 'next-care',
    value: isReddening ? usualH / 2 : usualH,
    source: 'practice',
    school: isReddening ? 'Halved: skin reddens' : null,
    formula: 'Daily: 24 hours; twice daily: 12 hours; half of it where skin reddens and blanches.',
    working: [
      { label: 'Care', value: String(options['frequency']), unit: null, from: 'option' },
      ...(isReddening ? [{ label: 'Skin', value: 'reddens-and-blanches', unit: null, from: 'measured' as const }] : []),
    ],
  })
}

function decideBalance(draft: PlanDraft): void {
  const { left, right } = draft.measureSides(strapOverhang)
  if (!left || !right) return
  const apartCm = Math.abs(left.value - right.value)
  // Readings in inches that are alike differ by what the machine rounds.
  const difference = apartCm < 1e-9 ? 0 : apartCm
  if (difference > balanceCm + 1e-9) {
    draft.caution({
      level: 'caution',
      code: 'strap-balance',
      decisions: ['strap-balance'],
      steps: ['settle'],
      text: 'Even out the straps with the head held.',
      why: `Left and right differ by ${difference.toFixed(1)} cm; over ${balanceCm} cm the head is turned.`,
    })
  }
  draft.decide({
    id: 'strap-balance',
    value: difference,
    source: 'practice',
    formula: 'Difference of the two overhangs; 0.5 cm at most.',
    working: [workingOf(left), workingOf(right)],
  })
}

function decideMargin(draft: PlanDraft): void {
  const margin = draft.measure(linerMargin)
  if (!margin) return
  if (margin.value < marginCm - 1e-9) {
    draft.caution({
      level: 'caution',
      code: 'liner-margin',
      lasts: true,
      decisions: ['liner-margin'],
      steps: ['liners'],
      text: 'Set the liner again until it stands out all round.',
      why: `It stands out ${margin.value.toFixed(1)} cm at its least; under ${marginCm} cm the shell touches skin.`,
    })
  }
  draft.decide({
    id: 'liner-margin',
    value: margin.value,
    sd: margin.sd,
    source: 'practice',
    formula: 'As measured; at least 0.5 cm all round.',
    working: [workingOf(margin)],
  })
}

function schedule(draft: PlanDraft, hours: number): readonly ScheduleEntry[] {
  const times = Array.from({ length: Math.floor(horizonH / hours) }, (_, index) => (index + 1) * hours)
  return [
    ...scheduleRounds(draft.clinicalCase, draft.ctx.protocol, 'Breathing, swallowing, all four limbs, chin on its rest.'),
    ...times.map((hour, index) => ({
      id: `care-${index + 1}`,
      kind: 'care' as const,
      dueMin: hour * 60,
      graceMin: 120,
      text: 'Wash, skin, fresh liners, straps equal.',
    })),
  ]
}
