import type { Plan } from '../model/plan'
import type { Technique } from '../planner/technique'
import { comingOffSteps, takeHoldStep, underneathStep } from './shared/coming-off'
import { makeStep } from './shared/make-step'

/** What lies on the wrong limb, as far as the run came. */
export type LaidOn = 'layer' | 'wet' | 'whole'

export interface TakingOffFacts {
  /** Where it is: "LEFT leg". */
  readonly where: string
  readonly laidOn: LaidOn
}

const onlyLayer = ['Padding off, down to the skin; nothing more is on yet.']
const stillWet = [
  'Still wet: unwind it, or cut it with shears, and lift it away now, before it sets.',
  'Padding off, down to the skin, and the wet plaster wiped away.',
]

/**
 * What is on the wrong limb comes off there: the place read aloud, a hand on what it holds, its own lines or, wet, the quick ones,
 * and the skin and the limb looked at.
 * @param worn the plan of what is on, for its drawing
 */
export function takingOffPlan(worn: Plan, technique: Technique, { where, laidOn }: TakingOffFacts): Plan {
  const { holds } = technique.onUrgent
  const confirm = makeStep({
    id: 'confirm-off',
    text: `It comes off the ${where}. Read name, second identifier and ${where} aloud; say to the patient what happens.`,
    why: 'Once wrong is enough.',
    prevents: 'The right limb bared, and the wrong one still wrapped.',
    after: [],
    minutes: [0.2, 0.3, 0.5],
    confirm: `It comes off the ${where}`,
    say: 'It went on the wrong side. We take it off now, look at the skin, and begin again on the hurt one.',
  })
  const lines = laidOn === 'layer' ? onlyLayer : laidOn === 'wet' ? stillWet : technique.comesOff
  // What only lies there holds nothing yet.
  const taken = holds === 'break' || laidOn === 'layer' ? [] : [takeHoldStep(holds, 'hold-off', `off-${lines.length}`, [confirm.id])]
  const before = taken[0]?.id ?? confirm.id
  const off = comingOffSteps(lines, technique.name, [before], taken[0]?.holds?.place ?? null)
  const look = underneathStep('under-wrong', holds, `of the ${where}`, [off.at(-1)?.id ?? before])
  const steps = [confirm, ...taken, ...off, look]
  const { rolls: _, ...kept } = worn
  return { ...kept, procedure: { steps }, cautions: [], decisions: [], materials: [], problems: [], pending: [], fit: [], schedule: [] }
}
