import { hasFlag, type ClinicalCase } from '../../model/clinical-case'
import { fieldTraction } from '../families/traction/field-technique'
import { decisions } from './decisions'
import { beyondLegCm, decideLoading, loadingWords } from './loading'
import { frameTractionCare, frameTractionFit, frameTractionSteps } from './procedure'
import { frameTractionMusts } from './musts'
import { frameTractionRoles } from './roles'

/** Above this mass a third lifts, kg. */
const byTwoKg = 100

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
  leastPeople: (clinicalCase) => (isByTwo(clinicalCase) ? 2 : 3),
  relief: ['a pole splint, which one person can put on'],
  limitMin: 10,
  beforeConvert: decideLoading,
  steps: (facts, draft) => frameTractionSteps(facts, loadingWords(draft), isByTwo(draft.clinicalCase)),
  fit: frameTractionFit,
  care: frameTractionCare,
  roles: frameTractionRoles,
  musts: frameTractionMusts,
  release: ['Take the pull by hand, let the ratchet out, look again at once.'],
  comesOff: ['Ratchet let out; the hands carry the pull.', 'Leg straps, groin strap and frame off, knee and calf carried; the hitch last.'],
})

/** Two people put it on where the leg is no more than that: to 100 kg, and nothing else of it hurt. */
function isByTwo(clinicalCase: ClinicalCase): boolean {
  return (clinicalCase.patient.massKg ?? Infinity) <= byTwoKg && !hasFlag(clinicalCase, 'several-injuries')
}
