import { hasFlag } from '../../../model/clinical-case'
import type { CautionLevel } from '../../../model/plan'
import type { PlanDraft } from '../../../planner/draft'
import type { OptionValues, TechniqueOption } from '../../../planner/technique'
import { rigidCollarFlags, rigidCollarRoles } from '../../../rules/neck'

/** The local collar policy. It has no built-in answer: the local protocol gives one for everything that puts a collar on. */
export const policyOption: TechniqueOption = {
  id: 'policy',
  label: 'Local policy',
  protocolKey: 'extrication-collar/policy',
  default: () => 'ask',
  values: [
    { id: 'ask', label: 'Not chosen yet', why: 'Planned as rigid, and marked as not ordered until the local protocol says.' },
    { id: 'rigid', label: 'Rigid collar', why: 'Services that keep a rigid collar for moving the patient out.' },
    {
      id: 'blocks-and-hands',
      label: 'Blocks and hands',
      why: 'Services that hold with hands, blocks and straps: no pressure on the neck veins.',
    },
    { id: 'soft', label: 'Soft collar', why: 'Services that use a soft one as a reminder not to move.' },
  ],
}

/** Whether the policy puts any collar on. */
export function putsCollarOn(options: OptionValues): boolean {
  return options['policy'] !== 'blocks-and-hands'
}

/**
 * The one rule for everything that puts a rigid collar on: stops where the policy is rigid or not set,
 * cautions under another one; a penetrating wound stops only where the neck itself is the injured part.
 * @param decisions what they are named at: the setting, where there is one
 */
export function judgeRigidCollar(draft: PlanDraft, options: OptionValues, decisions: readonly string[]): void {
  const { clinicalCase } = draft
  const isRigid = options['policy'] === 'ask' || options['policy'] === 'rigid'
  for (const { flag, why } of rigidCollarFlags) {
    if (!hasFlag(clinicalCase, flag)) continue
    const isElsewhere = flag === 'penetrating' && clinicalCase.injury.region !== 'neck'
    const level: CautionLevel = isRigid && !isElsewhere ? 'stop' : 'caution'
    draft.caution({
      level,
      code: flag,
      decisions,
      at: rigidCollarRoles,
      text:
        level === 'stop'
          ? 'No rigid collar: hold with hands and blocks as found.'
          : 'Pad and hold as found; do not straighten, do not cover.',
      why,
    })
  }
}

/** Says that no policy has been chosen, where a collar is sized by it. */
export function warnUnsetPolicy(draft: PlanDraft, options: OptionValues): void {
  if (options['policy'] !== 'ask') return
  draft.caution({
    level: 'caution',
    code: 'not-ordered',
    decisions: ['setting'],
    steps: ['size-collar'],
    text: 'Choose the local collar policy: until then this is planned as a rigid collar.',
    why: 'Services differ, and no built-in answer is right for all.',
  })
}
