import type { ClinicalCase } from '../../model/clinical-case'
import type { Step } from '../../model/step'
import { makeStep } from '../shared/make-step'
import { openNowSteps } from '../shared/open-now'
import { comparedWords, placeInWords } from '../shared/part-words'
import { bladeTimers } from './blade-timers'
import type { CastOpeningStep } from './roles'

/** How hard the cast is by now, as far as that is known. */
export type CastState = 'soft' | 'hard' | 'unknown'

export interface OpenCastFacts {
  readonly injury: ClinicalCase['injury']
  readonly state: CastState
  /** What of the limb lies at its ends: "foot and thigh". */
  readonly reach: string
}

const cutsWords: Readonly<Record<CastState, string>> = {
  soft: 'Still soft: unwrap it, or cut both sides with shears',
  hard: 'Both sides with the saw: press in, lift out, step along',
  unknown: 'Both sides: shears or unwrapping while it is soft, the saw once it is hard',
}

/** At once, both sides, down to skin: nothing is drawn or laid out first. */
export function openCastNowSteps({ injury, state, reach }: OpenCastFacts): readonly Step[] {
  const lines: readonly Step<CastOpeningStep>[] = [
    makeStep({
      id: 'cut-now',
      text: `${cutsWords[state]}. The whole length, ${reach} included.`,
      say: 'I open the cast now, at once. It is loud and buzzes; the blade shakes, it does not spin.',
      why: 'A line that stops half way holds the pressure below it.',
      prevents: 'A cast that is cut and still tight.',
      after: [],
      minutes: [1, 3, 6],
      ...(state === 'soft' ? {} : { moreTimers: bladeTimers('cut-now') }),
      where: ['cut-1', 'cut-2', 'cut-foot-1', 'cut-foot-2'],
    }),
    makeStep({
      id: 'spread',
      text: 'Spread it end to end, or lift the front half away; the limb stays in the back half.',
      why: 'Room comes only when the edges stand apart.',
      prevents: 'Two lines, and no room.',
      after: ['cut-now'],
      minutes: [0.3, 0.5, 1],
      where: ['cut-1', 'cut-2'],
    }),
    makeStep({
      id: 'cut-padding',
      text: 'Cut padding and stocking to the skin, the whole length, toes to top.',
      why: 'Blood-soaked padding is as hard as the cast.',
      prevents: 'Pressure that stays although the cast is open.',
      after: ['spread'],
      minutes: [0.3, 0.5, 1],
      answers: ['open-to-skin'],
      where: ['padding'],
    }),
  ]
  return openNowSteps({ where: placeInWords(injury), held: 'break', lines, compared: comparedWords(injury) })
}
