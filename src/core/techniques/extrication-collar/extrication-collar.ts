import { known, sentence } from '../../planner/answer'
import { neckGeometry } from '../../planner/body/measure-neck'
import { neckGirth, neckHeight } from '../../figures/body/measurements/neck'
import { isYoungerThan } from '../../model/clinical-case'
import { workingOf, type PlanDraft } from '../../planner/draft'
import { formatValue } from '../../planner/format-decision'
import type { ScheduleEntry } from '../../model/plan'
import type { Geometry } from '../../model/geometry'
import { scheduleRounds } from '../../planner/schedule-rounds'
import { judgeRigidCollar, putsCollarOn, warnUnsetPolicy } from '../families/collar/collar-policy'
import { decideCollarSetting } from '../families/collar/decide-height-setting'
import { fingerSlack, slackDefaults } from '../../figures/straps/finger-slack'
import { readDefaults } from '../../quantities/defaults'
import { decidePeople } from '../shared/decide-people'
import type { OptionValues, Technique, TechniqueOutcome } from '../../planner/technique'
import { extricationCollarOptions } from './options'
import { extricationCollarCare, extricationCollarFit, extricationCollarSteps } from './procedure'
import { extricationCollarRelease, extricationCollarTroubles } from './trouble'
import { decisions } from './decisions'
import { extricationCollarTaskForms } from './task-forms'
import { extricationCollarMusts } from './musts'
import { extricationCollarRoles, type ExtricationCollarStep } from './roles'

/** Adjustable one-piece collar for getting a patient out and moved. */
export const extricationCollar: Technique<ExtricationCollarStep> = {
  id: 'extrication-collar',
  name: 'Extrication collar',
  purpose: 'Reminds and limits a neck that may be injured while the patient is got out and moved.',
  bodyRegion: 'neck',
  regions: ['neck'],
  patterns: ['neck-injury'],
  decisions,
  options: extricationCollarOptions,
  measurements: (_case, options) => [
    { definition: neckHeight, need: options['policy'] === 'blocks-and-hands' ? 'optional' : 'required' },
    { definition: neckGirth, need: 'optional' },
  ],
  asks: ['oxygen'],
  changesTo: ['care-collar'],
  uses: (options) => (options['policy'] === 'blocks-and-hands' ? [] : ['extrication-collar']),
  puts: ['closed-collar', 'held-lying', 'skin-edges', 'unfelt-edges', 'over-injury'],
  judge: (draft, options) => {
    warnUnsetPolicy(draft, options)
    judgeRigidCollar(draft, options, ['setting'])
  },
  answer: (said) =>
    said.school('policy') === 'blocks-and-hands'
      ? 'No collar: hands on the head, then blocks.'
      : sentence(known`Set the collar to ${said.brief('setting')}`, known`close it with ${said.brief('slack')} under one flat finger`),
  plan: planExtricationCollar,
  roles: extricationCollarRoles,
  musts: extricationCollarMusts,
  onUrgent: { holds: 'head', actions: extricationCollarRelease },
  comesOff: ['Blocks and straps off, the collar undone.', 'Slide the collar out from behind the neck; lift nothing.'],
  taskForms: extricationCollarTaskForms,
  troubles: extricationCollarTroubles,
}

function planExtricationCollar(draft: PlanDraft, options: OptionValues): TechniqueOutcome<ExtricationCollarStep> {
  const { clinicalCase } = draft
  const policy = String(options['policy'])
  const hasCollar = putsCollarOn(options)
  if (hasCollar) {
    const neck = draft.require(neckHeight)
    if (neck) decideCollarSetting(draft, neck, true, 'hold the head, with blocks and hands, as found.')
    decideSlack(draft)
  }
  const oxygen = clinicalCase.orders.oxygen ?? 'none'
  if (oxygen !== 'none') decideOxygen(draft, oxygen, hasCollar)
  const setting = draft.collect().decisions.find((decision) => decision.id === 'setting')
  const slack = draft.collect().decisions.find((decision) => decision.id === 'slack')?.value
  const steps = extricationCollarSteps({
    slackCm: typeof slack === 'number' ? slack : null,
    hasCollar,
    isSoft: policy === 'soft',
    oxygen,
    isChild: isYoungerThan(clinicalCase, 8),
    settingWords: setting ? `set to ${setting.display}` : 'by the neck height',
  })
  decidePeople(draft, { floor: 2, steps, relief: ['kneel behind and hold the head between your knees', 'blocks as found'] })
  return {
    steps,
    fit: hasCollar ? extricationCollarFit : [],
    care: extricationCollarCare,
    schedule: schedule(draft, hasCollar),
    geometry: draw(draft, hasCollar ? Number(setting?.value ?? NaN) : NaN),
  }
}

function decideSlack(draft: PlanDraft): void {
  const girth = draft.measure(neckGirth)
  if (!girth) return
  const { fingerCm } = readDefaults(slackDefaults, draft.ctx.protocol)
  const radiusCm = girth.value / (2 * Math.PI)
  const slackCm = fingerSlack(radiusCm, 1, fingerCm)
  draft.decide({
    id: 'slack',
    value: slackCm,
    display: `${formatValue(slackCm, 'cm')} of strap, ${((100 * slackCm) / girth.value).toFixed(1)} % of the girth`,
    source: 'physics',
    formula: 'How much longer a loop is with one finger under it on a round part.',
    working: [workingOf(girth), { label: 'Half thickness of a finger', value: fingerCm, unit: 'cm', from: 'default' }],
  })
}

function decideOxygen(draft: PlanDraft, oxygen: 'mask' | 'cannula', hasCollar: boolean): void {
  draft.decide({
    id: 'oxygen-route',
    value: hasCollar ? 'under-side-hooks' : 'over-the-blocks',
    display: `${oxygen === 'mask' ? 'Mask strap' : 'Tubing'} ${hasCollar ? 'under the side hooks of the collar' : 'clear of the straps'}`,
    source: 'practice',
    formula: 'Led so that mask or cannula comes off without opening the collar; no tape on the face.',
    working: [{ label: 'Ordered', value: oxygen, unit: null, from: 'option' }],
  })
}

function draw(draft: PlanDraft, settingCm: number): Geometry {
  const base = neckGeometry(draft)
  if (!Number.isFinite(settingCm)) return base
  return {
    ...base,
    bands: [{ id: 'collar', axis: 'neck', label: 'Collar as set', kind: 'shell', fromCm: 0, toCm: settingCm, decision: 'setting' }],
  }
}

function schedule(draft: PlanDraft, hasCollar: boolean): readonly ScheduleEntry[] {
  const rounds = scheduleRounds(draft.clinicalCase, draft.ctx.protocol, 'Breathing, voice, swallowing, neck veins, all four limbs.')
  if (!hasCollar) return rounds
  return [
    ...rounds,
    { id: 'skin', kind: 'care', dueMin: 120, graceMin: 15, text: 'Skin under the collar, head held.' },
    { id: 'convert', kind: 'convert', dueMin: 240, graceMin: 120, text: 'Cleared and off, or a care collar.' },
  ]
}
