import type { PlanDraft } from '../../planner/draft'
import { fieldTraction } from '../families/traction/field-technique'
import { decisions } from './decisions'
import { poleTractionCare, poleTractionFit, poleTractionSteps } from './procedure'
import { poleTractionMusts } from './musts'
import { poleTractionRoles } from './roles'

const sectionCm = 25

/** One-pole field splint. */
export const poleTraction = fieldTraction({
  id: 'pole-traction',
  name: 'Pole traction splint',
  purpose: 'Pulls a broken thigh to length on the way in, by one person: quick, light, folds, less sturdy than a frame.',
  decisions,
  loads: ['tenth', 'relief'],
  item: 'pole splint',
  usualStraps: 3,
  straps: 'spread',
  length: { decision: 'pole-length', beyondCm: 20, formula: 'Inside leg + 20 cm.' },
  leastPeople: () => 1,
  relief: ['splint it to the other leg'],
  afterLength: decideSections,
  steps: poleTractionSteps,
  fit: poleTractionFit,
  care: poleTractionCare,
  roles: poleTractionRoles,
  musts: poleTractionMusts,
  release: ['Let the pole’s pull out, the leg in line by hand.'],
  comesOff: ['Straps undone, the pole’s pull let out; the hands carry it.', 'Hitch, pole and thigh strap off, knee and calf carried.'],
})

function decideSections(draft: PlanDraft, poleCm: number): void {
  draft.decide({
    id: 'sections',
    value: Math.ceil(poleCm / sectionCm - 1e-9),
    source: 'practice',
    formula: 'Pole length ÷ 25 cm, rounded up.',
    working: [{ label: 'Pole length', value: poleCm, unit: 'cm', from: 'computed' }],
  })
}
