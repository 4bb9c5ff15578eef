import { hasFlag } from '../../model/clinical-case'
import type { PlanDraft } from '../../planner/draft'
import type { CautionLevel } from '../../model/plan'
import type { OptionValues } from '../../planner/technique'

/**
 * Rules that the local policy turns: stops against a rigid collar, cautions where it is soft or hands and blocks
 * (SAFETY, PRECISIONS Collar policy and Rigid collar stops).
 */
export function judgeCollar(draft: PlanDraft, options: OptionValues): void {
  const { clinicalCase } = draft
  const policy = String(options['policy'])
  const isRigid = policy === 'ask' || policy === 'rigid'
  if (policy === 'ask') {
    draft.caution({
      level: 'caution',
      code: 'not-ordered',
      decisions: ['setting'],
      steps: ['size-collar'],
      text: 'Choose the local collar policy: until then this is planned as a rigid collar.',
      why: 'Services differ, and no built-in answer is right for all.',
    })
  }
  const raise = (level: CautionLevel, code: string, why: string): void =>
    draft.caution({
      level,
      code,
      decisions: ['setting'],
      steps: ['hold-head', 'close-collar'],
      text:
        level === 'stop'
          ? 'No rigid collar: hold with hands and blocks as found.'
          : 'Pad and hold as found; do not straighten, do not cover.',
      why,
    })
  const level: CautionLevel = isRigid ? 'stop' : 'caution'
  if (hasFlag(clinicalCase, 'airway-at-risk'))
    raise(level, 'airway-at-risk', 'A closed collar hides and worsens a failing airway. Suction and a turning plan ready.')
  for (const flag of ['stiff-spine', 'kyphosis'] as const) {
    if (hasFlag(clinicalCase, flag)) raise(level, flag, 'A stiff or bent neck breaks where a collar straightens it.')
  }
  if (hasFlag(clinicalCase, 'penetrating')) {
    const isIsolated = clinicalCase.injury.region === 'neck' && !hasFlag(clinicalCase, 'several-injuries')
    raise(
      isRigid && isIsolated ? 'stop' : 'caution',
      'penetrating',
      'It hides bleeding and swelling, and a stab seldom makes the spine unstable.',
    )
  }
}
