import { hasFlag } from '../../model/clinical-case'
import type { PlanDraft } from '../../planner/draft'
import { readDefaults } from '../../quantities/defaults'
import { heavyDefaults } from '../shared/heavy'
import { fieldTraction } from '../families/traction/field-technique'
import { decisions } from './decisions'
import { beyondLegCm, decideLoading, loadingWords } from './loading'
import { frameTractionCare, frameTractionFit, frameTractionSteps } from './procedure'
import { frameTractionMusts } from './musts'
import { frameTractionRoles } from './roles'

/** Two-bar frame with a ratchet. */
export const frameTraction = fieldTraction({
  id: 'frame-traction',
  name: 'Frame traction splint',
  purpose: 'Pulls a broken thigh to length on the way in between two bars: sturdy, needs two people and room.',
  decisions,
  loads: ['relief', 'tenth'],
  item: 'frame splint',
  usualStraps: 4,
  straps: 'two-and-two',
  length: { decision: 'frame-length', beyondCm: beyondLegCm, formula: 'Inside leg + 25 cm, set on the sound leg.' },
  leastPeople: (draft) => (isByTwo(draft) ? 2 : 3),
  relief: ['a pole splint, which one person can put on'],
  limitMin: 10,
  beforeConvert: decideLoading,
  steps: (facts, draft) => frameTractionSteps(facts, loadingWords(draft), isByTwo(draft)),
  fit: frameTractionFit,
  care: frameTractionCare,
  roles: frameTractionRoles,
  musts: frameTractionMusts,
  release: ['Let the ratchet out, the leg in line by hand.'],
  comesOff: ['Ratchet let out; the hands carry the pull.', 'Leg straps, groin strap and frame off, knee and calf carried; the hitch last.'],
})

/** Two people put it on where the leg is no heavier than that, and nothing else of it is hurt. */
function isByTwo({ clinicalCase, ctx }: PlanDraft): boolean {
  const { frameKg } = readDefaults(heavyDefaults, ctx.protocol)
  return (clinicalCase.patient.massKg ?? Infinity) <= frameKg && !hasFlag(clinicalCase, 'several-injuries')
}
