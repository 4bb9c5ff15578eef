import type { FitTest } from '../../model/plan'
import type { Step, StepReading, StepStrap } from '../../model/step'
import { holdHead } from '../shared/hold-head'
import { rollHands } from '../shared/roll'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { OptionValues } from '../../planner/technique'
import type { TrunkShellStep } from './roles'

/** What the steps of a shell are told. */
export interface ShellFacts {
  readonly options: OptionValues
  readonly isScooped: boolean
  /** Pairs from the top down; left and right of each are ticked. */
  readonly pairs: readonly StepStrap[]
  /** What of the edge is wanted loose. */
  readonly looseWords: string
  /** How far up the patient may come, as ordered. */
  readonly spine: 'lying' | 'sitting' | 'standing' | undefined
}

const overlaps: readonly StepReading[] = (['left', 'right'] as const).map((side) => ({
  id: `overlap-${side}`,
  label: `Overlap, ${side}`,
  wanted: 'at least 2.5 cm, left and right within 1 cm',
}))
const grooves: readonly StepReading[] = (['left', 'right'] as const).map((side) => ({
  id: 'groove-to-crest',
  side,
  label: `Groove to hip crest, ${side}`,
  wanted: 'within 1 cm',
}))

function edge(id: string, label: string, wanted: string): StepReading {
  return { id: `edge-to-notch-${id}`, label: `Edge below the notch, ${label}`, wanted }
}

/** Left and right of every pair, from the top down. */
function bothSides(pairs: readonly StepStrap[]): readonly StepStrap[] {
  return pairs.flatMap((pair, index) =>
    (['left', 'right'] as const).map((side) => ({
      id: `strap-${side}-${index + 1}`,
      label: `${side === 'left' ? 'Left' : 'Right'}, ${pair.label.toLowerCase()}`,
      slackCm: pair.slackCm,
    })),
  )
}

/** The steps of a two-shell trunk orthosis in a workable order, by the way it is put on. */
export function trunkShellSteps(facts: ShellFacts): readonly Step<TrunkShellStep>[] {
  const { options, isScooped, pairs } = facts
  const isLying = options['way'] === 'lying'
  const isLowestFirst = !isLying || options['strap-order'] === 'lowest-first'
  const tight = options['tightness'] === 'two-finger' ? 'two fingers pass under each' : 'firm, as far as it is borne and breath is free'
  const straps = bothSides(pairs)
  return [
    ...openingSteps({
      ...(isLying && options['spine-below'] !== 'cleared'
        ? { head: holdHead('front-on', 'That person gives the word for every turn.') }
        : {}),
      side: undefined,
      compared: 'all four limbs',
      position: isLying
        ? 'Flat, bed at working height, rail up on the side rolled to.'
        : options['way'] === 'sitting-edge'
          ? 'On the edge of the bed, feet on the floor, one person in front.'
          : 'In a doorway, hands on the frame, one person in front.',
      say: 'Two shells hug your trunk. It takes some breath, like a tight belt; too much is when you cannot say a sentence, or legs tingle.',
      layOut: 'both shells, a clean seamless shirt, marker',
    }),
    makeStep({
      id: 'tell-apart',
      say: 'We put a clean shirt on you first.',
      text: 'Tell front, back, top and bottom: the half that carries the strap rings is the back. Find the groove outside and inside; thread every strap through its ring. Mark them. Shirt on, without a crease.',
      why: 'Upside down or back to front it fits nobody.',
      prevents: 'Ten minutes with the wrong half.',
      after: ['baseline', 'lay-out'],
      minutes: [0.5, 1, 2],
    }),
    ...(isLying ? lyingSteps(isScooped, options) : uprightSteps(options['way'] === 'sitting-edge')),
    makeStep({
      id: 'edge-loose',
      text: 'Straps touched down, not pulled: read the height of the upper edge.',
      why: 'Tightening lifts it; without the loose figure nobody knows by how much.',
      prevents: 'An edge that climbs unseen.',
      after: ['front-on'],
      minutes: [0.2, 0.4, 0.8],
      reads: [edge('loose', 'loose', facts.looseWords)],
      where: ['notch'],
    }),
    makeStep({
      id: 'straps',
      text: isLowestFirst
        ? `Lowest straps first, left and right in turn, then up: push the shells together, then pull; ${tight}. Round twice; the patient pulls one side.`
        : `Left and right of each pair tightened equally; ${tight}. Round twice.`,
      why: isLowestFirst
        ? 'A loose shell does nothing. The hip straps keep it from riding up; a strap alone cannot pull shells together.'
        : 'Unequal straps turn the shell.',
      prevents: 'A shell that rides into the throat, a gap at the side: a gap left means not done.',
      say: 'It gets tight now. Breathe in and out; say a whole sentence to me.',
      after: ['edge-loose'],
      minutes: [1, 2, 4],
      straps: isLowestFirst ? { order: 'given', straps: [...straps].reverse() } : { order: 'any', straps },
      reads: [
        ...straps.map((strap) => ({
          id: strap.id,
          label: `Pulled through: ${strap.label.toLowerCase()}`,
          wanted: 'left and right equal within 1 cm',
        })),
        ...overlaps,
      ],
      where: pairs.map((_, index) => `strap-${index + 1}`),
    }),
    makeStep({
      id: 'edge-height',
      text: 'Read the height of the upper edge again, tight; both hollows level on the hip crest.',
      why: 'Tightening lifts it.',
      prevents: 'An edge in the throat found at supper.',
      after: ['straps'],
      minutes: [0.3, 0.6, 1],
      reads: [isLying ? edge('lying', 'tight, lying', '1 to 3 cm') : edge('tight', 'tight', '1 to 3 cm'), ...grooves],
      where: ['notch', 'groove'],
    }),
    ...uprightChecks(facts),
    closingCheck(['edge-height'], 'all four limbs'),
  ]
}

/** Standing and sitting, each with its own reading of the edge: as far as they are ordered. */
function uprightChecks({ options, spine }: ShellFacts): readonly Step<TrunkShellStep>[] {
  const way = options['way']
  const mayStand = way === 'standing-doorway' || spine === 'standing'
  const maySit = way !== 'lying' || spine === 'sitting' || spine === 'standing'
  const up = way === 'lying' ? 'Up by log-roll: on the side, legs over the edge, push. ' : ''
  const stand = makeStep({
    id: 'stand',
    say: 'You stand up now, with us. Say at once if you feel faint, or if the edge touches your throat.',
    text: `${way === 'standing-doorway' ? '' : up}Standing, when it is ordered: read the edge again. Does it touch notch or neck?`,
    why: 'Upright the belly sinks and the shell with it.',
    prevents: 'A fit that is only right lying.',
    after: ['edge-height'],
    minutes: [0.5, 1, 2],
    optional: !mayStand,
    reads: [edge('standing', 'standing', '1 to 3 cm')],
    where: ['notch'],
  })
  const sit = makeStep({
    id: 'sit',
    say: 'You come up to sit now, slowly. Say at once if you feel faint, or if the edge touches your throat.',
    text: `${way === 'standing-doorway' ? 'Sit down from standing' : way === 'sitting-edge' ? 'Sitting as they are' : `${up}Sitting, when it is ordered`}: read the edge again. Does it dig in at groin or thigh?`,
    why: 'Sitting pushes it up; no marks on the straps, the fit changes.',
    prevents: 'A shell that fits lying and chokes sitting.',
    after: way === 'standing-doorway' ? ['stand'] : ['edge-height'],
    minutes: [1, 2, 4],
    optional: !maySit,
    reads: [edge('sitting', 'sitting', 'at least 0.5 cm')],
    where: ['notch'],
  })
  return way === 'sitting-edge' ? [sit] : way === 'standing-doorway' ? [stand, sit] : [sit, stand]
}

function lyingSteps(isScooped: boolean, options: OptionValues): readonly Step<TrunkShellStep>[] {
  const isCleared = options['spine-below'] === 'cleared'
  const word = isCleared ? 'on one person’s word' : 'on the word of the one at the head'
  return [
    makeStep({
      id: 'roll',
      say: 'We turn you as one piece now; you need do nothing.',
      text: isScooped ? `No full roll: scoop, or a slight tilt, ${word}.` : `Knees up, full roll as one piece ${word}.`,
      why: 'Turned in one piece nothing twists.',
      prevents: 'Shoulders that go before the hips.',
      after: ['tell-apart'],
      minutes: [0.5, 1, 2],
      hands: isCleared ? ['apply', 'hold-proximal'] : rollHands(options),
      onPatient: true,
    }),
    makeStep({
      id: 'back-on',
      text: 'Feel the top of the hip crest, then bring the shell to it: pressed flat and slid under, groove at the waist; roll back. If it slid, a second roll to the other side.',
      say: 'The back half slides under you, then we roll you back.',
      why: 'The groove is what holds it in height.',
      prevents: 'A shell a hand too low.',
      after: ['roll'],
      minutes: [0.5, 1, 2],
      where: ['back', 'crest', 'groove'],
    }),
    makeStep({
      id: 'front-on',
      text: 'Centre it; front shell over the back one, never under, the grooves lined up.',
      say: 'The front half comes over you now.',
      why: 'An edge under the other digs into the side.',
      prevents: 'Pinched skin at both sides.',
      after: ['back-on'],
      minutes: [0.3, 0.6, 1],
      where: ['front'],
    }),
  ]
}

function uprightSteps(isSitting: boolean): readonly Step<TrunkShellStep>[] {
  return [
    makeStep({
      id: 'back-on',
      text: `Feel the top of the hip crest, then bring the shell to it: against the back, groove down on the crest${isSitting ? '' : '. Back against the door jamb, an inch away to shift, hands free to pull'}.`,
      say: 'The back half comes behind you now.',
      why: 'The crest is the shelf it stands on.',
      prevents: 'A shell that slides while it is closed.',
      after: ['tell-apart'],
      minutes: [0.5, 1, 2],
      onPatient: true,
      where: ['back', 'crest', 'groove'],
    }),
    makeStep({
      id: 'front-on',
      text: 'Front shell over the back one, never under, the grooves lined up.',
      say: 'The front half comes over you now.',
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
