import type { PlanDraft } from '../../plan/draft'
import type { FlagRule, OptionValues } from '../technique'
import { isTibial, type Extent } from './options'

/** What flags raise by themselves. */
export const legSlabFlagRules: readonly FlagRule[] = [
  {
    flag: 'pulse-absent',
    level: 'stop',
    steps: ['padding'],
    text: 'Call the senior first: no slab goes on before the pulse has been dealt with.',
    why: 'A limb without a pulse needs its blood back within hours; a slab hides it.',
  },
  {
    flag: 'skin-tented',
    level: 'stop',
    steps: ['padding'],
    text: 'Reduce now: call.',
    why: 'Skin stretched over bone dies within hours, slab or no slab.',
  },
  {
    flag: 'neuropathy',
    level: 'caution',
    decisions: ['padding'],
    steps: ['padding', 'bone-points'],
    text: 'Pad more over every bony point and look again early.',
    why: 'Pressure and heat are not felt, so nobody is warned.',
  },
  {
    flag: 'unresponsive',
    level: 'caution',
    decisions: ['padding'],
    steps: ['padding', 'bone-points'],
    text: 'Pad more over every bony point and look again early.',
    why: 'The patient cannot say that it is hot, tight or painful.',
  },
]

/** Rules that look at more than one flag: ankle position, free joint above, marked swelling, helpers. */
export function applyLegSlabRules(draft: PlanDraft, options: OptionValues, extent: Extent): void {
  const { injury } = draft.clinicalCase
  const isOrdered = options['ankle'] === 'as-ordered'
  if (injury.pattern === 'achilles-rupture' && !isOrdered) {
    draft.caution({
      level: 'stop',
      code: 'achilles-rupture',
      decisions: ['ankle-angle'],
      steps: ['mould'],
      text: 'Do not square the ankle: get the angle ordered and enter it.',
      why: 'Bringing the foot up pulls the torn ends of the heel cord apart.',
    })
  }
  if (injury.flags.includes('comminuted') && !isOrdered) {
    draft.caution({
      level: 'stop',
      code: 'comminuted',
      decisions: ['ankle-angle'],
      steps: ['mould'],
      text: 'Do not bring the ankle to an angle of your own choice: get it ordered and enter it.',
      why: 'Moving many fragments can displace them and cut what lies beside them.',
    })
  }
  if (isTibial(draft.clinicalCase) && extent === 'below-knee') {
    draft.caution({
      level: 'caution',
      code: 'joint-above-free',
      steps: ['lay'],
      text: 'Take the slab above the knee unless the order says otherwise.',
      why: 'With the knee free, a tibial fracture still turns and bends.',
    })
  }
  if (injury.swelling === 'marked') {
    draft.caution({
      level: 'caution',
      code: 'swelling',
      decisions: ['slab-width'],
      steps: ['bandage'],
      text: 'Leave the front wide open, bandage with less pull, check early and often.',
      why: 'Marked swelling fills the room that the slab leaves.',
    })
  }
}
