import { hasFlag } from '../../model/clinical-case'
import { isOrdered } from '../../model/orders'
import type { PlanDraft } from '../../planner/draft'
import type { HandGrip, Step } from '../../model/step'
import type { OptionValues, TechniqueOption } from '../../planner/technique'
import { readDefaults } from '../../quantities/defaults'
import { heavyDefaults } from './heavy'
import { leastPeople } from '../../scene/least-people'
import { decidePeople } from './decide-people'

/** Whether the spine below the device has been cleared: it says how the patient may be turned. */
export const spineBelowOption: TechniqueOption = {
  id: 'spine-below',
  label: 'Spine below',
  default: () => 'not-cleared',
  values: [
    { id: 'not-cleared', label: 'Not cleared', why: 'Until somebody has cleared it: turned as one piece by enough people, or scooped.' },
    { id: 'cleared', label: 'Cleared', why: 'Cleared by name: two people turn the patient.' },
  ],
}

/** Whether a full roll is ruled out: not cleared, and pelvis suspected or unstable. */
export function isScooped(draft: PlanDraft, options: OptionValues): boolean {
  const { clinicalCase } = draft
  return options['spine-below'] === 'not-cleared' && (hasFlag(clinicalCase, 'pelvis-suspected') || hasFlag(clinicalCase, 'unstable'))
}

/** Hands that the roll itself needs beside the one at the head: as many as turn the patient. */
export function rollHands(options: OptionValues): readonly HandGrip[] {
  return options['spine-below'] === 'cleared' ? ['apply'] : ['apply', 'hold-proximal', 'hold-distal']
}

/** People who turn a lying patient as one piece: 4 while the spine below is not cleared, 2 once it is; one more where the patient is heavy. */
export function rollPeople(draft: PlanDraft, options: OptionValues): number {
  const { rollKg } = readDefaults(heavyDefaults, draft.ctx.protocol)
  const isHeavy = (draft.clinicalCase.patient.massKg ?? 0) > rollKg
  return (options['spine-below'] === 'cleared' ? 2 : 4) + (isHeavy ? 1 : 0)
}

/** Cautions against a full roll, by the flag that forbids it. */
export function judgeRoll(draft: PlanDraft, options: OptionValues): void {
  if (options['spine-below'] === 'cleared' && !isOrdered(draft.clinicalCase.orders.spine))
    draft.caution({
      level: 'caution',
      code: 'not-ordered',
      decisions: ['people'],
      at: ['turns'],
      text: 'Enter who cleared the spine below, and when; until then turn as if it were not.',
      why: 'Two people turn a cleared spine; nobody is named who cleared it.',
    })
  if (options['spine-below'] !== 'not-cleared') return
  for (const flag of ['pelvis-suspected', 'unstable'] as const) {
    if (!hasFlag(draft.clinicalCase, flag)) continue
    draft.caution({
      level: 'caution',
      code: flag,
      decisions: ['turn'],
      steps: ['roll'],
      text: 'No full roll: scoop, or a slight tilt only.',
      why:
        flag === 'unstable'
          ? 'A roll can drop the pressure of an unstable patient.'
          : 'A roll opens a broken pelvis and starts the bleeding again.',
    })
  }
}

/**
 * Decides `people` and `turn` for turning a lying patient: 4, 5 above 100 kg, while the spine
 * below is not cleared; 2, 3 above 100 kg, once it is.
 */
export function decideRoll(draft: PlanDraft, options: OptionValues, steps: readonly Step[]): void {
  const isCleared = options['spine-below'] === 'cleared'
  const { rollKg } = readDefaults(heavyDefaults, draft.ctx.protocol)
  decidePeople(draft, {
    id: 'people',
    floor: Math.max(rollPeople(draft, options), leastPeople(steps)),
    steps,
    relief: ['call the next ward', 'wait with the head held'],
    because: `${isCleared ? 'Two' : 'Four'} people turn the patient as one piece, one more above ${rollKg} kg.`,
  })
  const scooped = isScooped(draft, options)
  draft.decide({
    id: 'turn',
    value: scooped ? 'scoop' : 'roll',
    display: scooped ? 'scoop or slight tilt' : 'roll as one piece',
    source: 'practice',
    formula:
      'Scoop or slight tilt while the spine is not cleared and the pelvis is suspected or the patient unstable; else a roll as one piece.',
    working: [{ label: 'Spine below', value: String(options['spine-below']), unit: null, from: 'option' }],
  })
}
