import type { ClinicalCase } from '../../model/clinical-case'
import type { Side } from '../../model/vocabulary'
import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import { bladeTimers } from './blade-timers'
import { comparedWords } from '../shared/part-words'
import type { OptionValues } from '../../planner/technique'
import type { CastOpeningStep } from './roles'

export interface OpeningFacts {
  readonly options: OptionValues
  readonly side: Side | undefined
  readonly limb: 'leg' | 'arm'
  /** Padding is cut as well. */
  readonly cutsPadding: boolean
  readonly clinicalCase: ClinicalCase
}

const lineWords: Readonly<Record<string, string>> = {
  strip: 'two lines, a strip of about 1.5 cm between them',
  single: 'one line',
  'two-halves': 'two lines, one on each side',
}

/** The steps of opening a hard cast in a workable order. */
export function castOpeningSteps({ options, side, limb, cutsPadding, clinicalCase }: OpeningFacts): readonly Step<CastOpeningStep>[] {
  const compared = comparedWords(clinicalCase.injury)
  return [
    ...openingSteps({
      side,
      compared,
      where: limb === 'leg' ? ['dorsal-foot-pulse'] : ['radial-pulse'],
      position:
        'Ventilate the room. The limb lies supported on the couch, whatever way it was put on, so that the saw comes from above; it is raised afterwards.',
      ...(limb === 'leg' ? { chosen: { clinicalCase, options, supported: 'the calf and the heel' } } : {}),
      say: 'It is loud, dusty and buzzes. The blade shakes, it does not spin. Raise your hand and I stop at once.',
      layOut: 'saw, spreader, long shears, eye and ear protection for all, crepe bandage, tape',
    }),
    makeStep({
      id: 'tell',
      text: 'Tell the patient: noise, dust and vibration. Agree a hand signal for stop. Promise nothing about skin.',
      why: 'A dragged or hot blade wounds; the patient feels it first.',
      prevents: 'A patient who pulls away from a running saw.',
      after: ['identity'],
      minutes: [0.3, 0.5, 1],
    }),
    makeStep({
      id: 'draw-lines',
      text: `Draw ${lineWords[String(options['lines'])] ?? 'the lines'} along the whole length, away from bone points and the wound.`,
      why: 'Over bone the blade has no padding under it.',
      prevents: 'A cut over a malleolus, a line that ends half way.',
      after: ['baseline'],
      minutes: [0.3, 0.5, 1],
      confirm: `Lines on the ${side?.toUpperCase() ?? 'injured'} ${limb}, clear of bone points and wound`,
      where: ['cut-1'],
    }),
    makeStep({
      id: 'cut',
      text: 'Press in, lift out, step along, never drag. Feel the blade every few steps; warm means pause.',
      why: 'Dragged it cuts skin, hot it burns.',
      say: 'The saw starts now. Raise your hand and I stop at once.',
      prevents: 'A burn or a cut along the whole limb.',
      after: ['draw-lines', 'tell', 'lay-out'],
      minutes: [2, 4, 8],
      onPatient: true,
      moreTimers: bladeTimers('cut'),
      where: ['cut-1'],
    }),
    makeStep({
      id: 'lift',
      text:
        options['lines'] === 'strip'
          ? 'Lift the strip out, end to end.'
          : options['lines'] === 'single'
            ? 'Spread the edges with the spreader, a little at each place.'
            : 'Lift the upper half off; the limb stays in the lower one.',
      why: 'Room comes only when the edges stand apart.',
      say: 'The edges come apart now; you may feel it move.',
      prevents: 'A cast that is cut and still tight.',
      reads: [
        {
          id: 'opening-cm',
          label: 'Edges apart, at their least',
          wanted: options['lines'] === 'single' ? 'at least 0.6 cm' : 'at least 1.5 cm',
        },
      ],
      after: ['cut'],
      minutes: [0.5, 1, 2],
      where: ['cut-1'],
    }),
    ...(cutsPadding
      ? [
          makeStep({
            id: 'cut-padding',
            text: 'Cut padding and stocking to the skin, the whole length.',
            why: 'Blood-soaked padding is as hard as the cast.',
            say: 'I cut the padding with blunt shears now: it is cold along your skin.',
            prevents: 'Pressure that stays although the cast is open.',
            after: ['lift'],
            minutes: [0.5, 1, 2] as const,
            where: ['padding'],
          }),
        ]
      : []),
    makeStep({
      id: 'look',
      text: 'Look at padding and skin along the line: dry, whole, its usual colour?',
      why: 'It is the one time that anybody sees it.',
      prevents: 'A sore or a cut found at the next change.',
      after: [cutsPadding ? 'cut-padding' : 'lift'],
      minutes: [0.3, 0.5, 1],
    }),
    makeStep({
      id: 'crepe',
      text: 'Wrap crepe lightly over it: it holds the edges and steadies the limb for the transfer.',
      why: 'Pulled firm it closes what was opened.',
      say: 'A light bandage goes round it now.',
      prevents: 'Edges that catch, or a bandage as tight as the cast was.',
      after: ['look'],
      minutes: [0.5, 1, 2],
      where: ['bandage'],
    }),
    closingCheck(['crepe'], compared),
  ]
}

/** What to look at on the opened cast. */
export const castOpeningFit: readonly FitTest[] = [
  { id: 'whole-length', text: 'Open from end to end', why: 'A bridge left holds the pressure.', remedy: 'Cut on.', where: ['cut-1'] },
  { id: 'edges', text: 'Edges apart and smooth', why: 'They catch and close.', remedy: 'Spread again, tape the edges.', where: ['cut-1'] },
  {
    id: 'skin',
    text: 'Skin along the line whole',
    why: 'A saw can burn and cut.',
    remedy: 'Dress it, record it, tell the patient.',
    where: ['cut-1'],
  },
]

/** Care in words. */
export const castOpeningCare: readonly string[] = [
  'Rounds begin again at their first line.',
  'Crepe loose enough for a finger at both ends.',
  'Closed again only when the swelling is past, and on order.',
]
