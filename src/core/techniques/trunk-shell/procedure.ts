import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import type { StepStrap } from '../../model/step'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { OptionValues } from '../../planner/technique'

/**
 * The steps of a two-shell trunk orthosis in a workable order, by the way it is put on.
 * @param straps from the top down
 */
export function trunkShellSteps(options: OptionValues, isScooped: boolean, straps: readonly StepStrap[]): readonly Step[] {
  const isLying = options['way'] === 'lying'
  const isLowestFirst = !isLying || options['strap-order'] === 'lowest-first'
  const tight = options['tightness'] === 'two-finger' ? 'two fingers pass under each' : 'firm, as far as it is borne and breath is free'
  return [
    ...openingSteps({
      side: undefined,
      compared: 'all four limbs',
      position: isLying
        ? 'Flat, bed at working height, rail up on the far side.'
        : options['way'] === 'sitting-edge'
          ? 'On the edge of the bed, feet on the floor, one person in front.'
          : 'In a doorway, hands on the frame, one person in front.',
      layOut: 'both shells, a clean seamless shirt, marker',
    }),
    makeStep({
      id: 'tell-apart',
      text: 'Tell the halves apart: the one that carries the strap rings is the back. Mark them. Shirt on, without a crease.',
      why: 'Upside down or back to front it fits nobody.',
      prevents: 'Ten minutes with the wrong half.',
      after: ['baseline', 'lay-out'],
      minutes: [0.5, 1, 2],
    }),
    ...(isLying ? lyingSteps(isScooped) : uprightSteps(options['way'] === 'sitting-edge')),
    makeStep({
      id: 'straps',
      text: isLowestFirst
        ? `Lowest straps first, then up: push the shells together, then pull; ${tight}. Round twice; the patient pulls one side.`
        : `Straps touched down, then tightened equally, side by side; ${tight}.`,
      why: isLowestFirst
        ? 'The hip straps keep it from riding up; a strap alone cannot pull shells together.'
        : 'Unequal straps turn the shell.',
      prevents: 'A shell that rides into the throat, a gap at the side: a gap left means not done.',
      after: ['front-on'],
      minutes: [1, 2, 4],
      straps: isLowestFirst ? { order: 'given', straps: [...straps].reverse() } : { order: 'any', straps },
      where: straps.map((strap) => strap.id),
    }),
    makeStep({
      id: 'edge-height',
      text: 'Read the height of the upper edge loose and again tight; both hollows level.',
      why: 'Tightening lifts it.',
      prevents: 'An edge in the throat found at supper.',
      after: ['straps'],
      minutes: [0.3, 0.6, 1],
      where: ['notch'],
    }),
    makeStep({
      id: 'sit',
      text: 'When sitting is ordered: up by log-roll (side, legs over, push), sit, and measure the edge again.',
      why: 'Sitting pushes it up; no marks on the straps, the fit changes.',
      prevents: 'A shell that fits lying and chokes sitting.',
      after: ['edge-height'],
      minutes: [1, 2, 4],
      optional: true,
      where: ['notch'],
    }),
    closingCheck(['edge-height'], 'all four limbs'),
  ]
}

function lyingSteps(isScooped: boolean): readonly Step[] {
  return [
    makeStep({
      id: 'roll',
      text: isScooped
        ? 'No full roll: scoop, or a slight tilt, on the word of the one at the head.'
        : 'Knees up, full roll as one piece on the word of the one at the head.',
      why: 'Turned in one piece nothing twists.',
      prevents: 'Shoulders that go before the hips.',
      after: ['tell-apart'],
      minutes: [0.5, 1, 2],
      hands: ['apply', 'hold-proximal', 'hold-distal'],
      onPatient: true,
    }),
    makeStep({
      id: 'back-on',
      text: 'Back shell pressed flat and slid under, groove at the waist; roll back. If it slid, a second roll to the other side.',
      why: 'The groove is what holds it in height.',
      prevents: 'A shell a hand too low.',
      after: ['roll'],
      minutes: [0.5, 1, 2],
      where: ['back', 'crest'],
    }),
    makeStep({
      id: 'front-on',
      text: 'Centre it; front shell over the back one, never under.',
      why: 'An edge under the other digs into the side.',
      prevents: 'Pinched skin at both sides.',
      after: ['back-on'],
      minutes: [0.3, 0.6, 1],
      where: ['front'],
    }),
  ]
}

function uprightSteps(isSitting: boolean): readonly Step[] {
  return [
    makeStep({
      id: 'back-on',
      text: `Back shell against the back, groove down on the hip crest${isSitting ? '' : '; the doorway gives elbow room'}.`,
      why: 'The crest is the shelf it stands on.',
      prevents: 'A shell that slides while it is closed.',
      after: ['tell-apart'],
      minutes: [0.5, 1, 2],
      onPatient: true,
      where: ['back', 'crest'],
    }),
    makeStep({
      id: 'front-on',
      text: 'Front shell over the back one, never under.',
      why: 'An edge under the other digs into the side.',
      prevents: 'Pinched skin at both sides.',
      after: ['back-on'],
      minutes: [0.3, 0.6, 1],
      where: ['front'],
    }),
  ]
}

/** What to look at on the closed shell. */
export const trunkShellFit: readonly FitTest[] = [
  {
    id: 'throat',
    text: 'Not in the throat, sitting',
    why: 'It stops eating and breathing.',
    remedy: 'Lower or trim by the verdict.',
    where: ['notch'],
  },
  {
    id: 'length',
    text: 'From below the notch to the pubis',
    why: 'Short it bends where it should hold.',
    remedy: 'Another size.',
    where: ['notch', 'pubis'],
  },
  {
    id: 'hips',
    text: 'Over the hip points',
    why: 'Bone under a hard edge breaks down.',
    remedy: 'Seat the groove again, pad or flare.',
    where: ['crest'],
  },
  { id: 'front-over', text: 'Front over back on both sides', why: 'Under, it cuts.', remedy: 'Open and lay it right.', where: ['front'] },
  {
    id: 'seat',
    text: 'Seat not pushing it up',
    why: 'A soft deep chair lifts it.',
    remedy: 'Higher, firmer seat; trim below.',
    where: ['pubis'],
  },
]

/** Care in words. */
export const trunkShellCare: readonly string[] = [
  'A clean shirt under it; skin looked at every day.',
  'Worn as ordered; put on before the position that it is ordered for.',
  'A swollen belly or repeated vomiting: loosen it and call.',
  'New weakness, numbness between the legs, trouble with bladder or bowels: call at once.',
]
