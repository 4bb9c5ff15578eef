import type { Side } from '../../model/vocabulary'
import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import type { StepPull } from '../../model/step'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { SuspendedRingTractionStep } from './roles'

export interface SuspensionFacts {
  readonly side: Side | undefined
  readonly ring: string
  readonly isPin: boolean
  readonly isAdhesive: boolean
  readonly pullWords: string
  /** Null before there is a body mass. */
  readonly pull: StepPull
  readonly weightWords: string
  readonly counterWords: string | null
  readonly raiseWords: string | null
  /** Length of the one strip; null before it is known. */
  readonly stripWords: string | null
  /** Places of the slings above the heel sole. */
  readonly slingWords: string | null
  readonly isCarried: boolean
  /** Where the carried pulley sits, from the groin. */
  readonly carriedWords: string | null
  /** Cord to cut for the suspension. */
  readonly cordWords: string | null
  /** Pulleys between the footward one and the weight. */
  readonly onward: number
}

/** The steps of balanced suspension in a workable order. */
export function suspendedSteps(facts: SuspensionFacts): readonly Step<SuspendedRingTractionStep>[] {
  return [...holdSteps(facts), ...hangSteps(facts)]
}

function holdSteps({
  side,
  ring,
  isPin,
  isAdhesive,
  stripWords,
  slingWords,
  isCarried,
  carriedWords,
}: SuspensionFacts): readonly Step<SuspendedRingTractionStep>[] {
  return [
    ...openingSteps({
      side,
      compared: 'both legs',
      where: ['dorsal-foot-pulse'],
      position: 'Flat on the back, bed with its frame, beam and pulleys checked.',
      say: 'Your leg will float on slings and be pulled gently along. It eases the pain; tell us if the groin or the heel burns.',
      layOut: `${ring}, ${isPin ? 'stirrup for the pin' : 'strips, bandage'}, gutter, slings, cords, pulleys, weights`,
    }),
    ...(isPin
      ? []
      : [
          makeStep({
            id: 'strips',
            say: 'Strips go down both sides of your leg now. They stick; tell me if the skin burns.',
            text: `${isAdhesive ? 'Skin adhesive from groin to ankle on the inner side, from the trochanter to the ankle on the outer; then one strip that does not stretch lengthwise' : 'One non-adhesive strip'}${stripWords ? `, ${stripWords} long` : ''}: the inner side first, a loop under the foot, then the outer; the backing peeled a hand’s breadth at a time. Uncreased, malleoli padded.`,
            why: 'A crease is a cut under load.',
            prevents: 'Blisters, and strips that creep.',
            after: ['baseline', 'lay-out'],
            minutes: [2, 3, 6] as const,
            onPatient: true,
            where: ['malleoli'],
          }),
          makeStep({
            id: 'bandage',
            say: 'A bandage goes over the strips: firm, not tight.',
            text: 'Bandage from about 7 cm above the ankle up to the groin, half overlap, moderate, uncreased.',
            why: 'Over the malleoli it cuts; pulled tight it stops blood.',
            prevents: 'A drop foot and ankle sores.',
            after: ['strips'],
            minutes: [1.5, 2.5, 4] as const,
            where: ['bandage'],
          }),
        ]),
    makeStep({
      id: 'ring-set',
      say: 'We lift your leg a little, and the splint slides over it up to the groin.',
      text: `Splint over the leg to the groin. Read back: ${ring}, ${side?.toUpperCase() ?? 'side'}.`,
      why: 'The sit bone is what it pushes against.',
      prevents: 'A ring on the wrong side or in the groin.',
      after: [isPin ? 'baseline' : 'bandage', 'lay-out'],
      minutes: [1, 2, 4],
      hands: ['apply', 'hold-distal'],
      confirm: `${ring}, ${side?.toUpperCase() ?? 'side'} confirmed`,
      onPatient: true,
      where: ['ring'],
    }),
    makeStep({
      id: 'gutter',
      text: 'Padded gutter under the leg up to the ring, bent a little at the knee, clear of the heel.',
      say: 'A soft trough slides under your leg.',
      why: 'A straight knee stiffens, a heel on anything breaks down.',
      prevents: 'Heel sores.',
      after: ['ring-set'],
      minutes: [1, 2, 3],
      where: ['heel-instep', 'knee'],
    }),
    makeStep({
      id: 'slings',
      say: 'Slings go under your leg now; they will carry it.',
      text: `Slings${slingWords ? ` at ${slingWords} above the sole` : ''}, 15 cm wide: over the bar, under the gutter, round the other bar and back under, tied outside with a knot that does not slip; none on the malleoli or behind the fibular neck.`,
      why: 'They carry the leg between the bars.',
      prevents: 'A sagging thigh, a pressed nerve.',
      after: ['gutter'],
      minutes: [1, 2, 4],
      where: ['sling-1', 'sling-2', 'sling-3'],
    }),
    ...(isCarried
      ? [
          makeStep({
            id: 'carried-pulley',
            text: `Fix the carried pulley to the bars${carriedWords ? `, ${carriedWords} from the groin` : ''}: its yoke tied to both bars with a knot that does not slide.`,
            why: 'The leg is lifted there; a pulley that creeps tips it.',
            prevents: 'A splint that slides along its yoke.',
            after: ['slings'],
            minutes: [0.5, 1, 2] as const,
            where: ['suspension'],
          }),
        ]
      : []),
  ]
}

function hangSteps(facts: SuspensionFacts): readonly Step<SuspendedRingTractionStep>[] {
  const { pull, pullWords, weightWords, counterWords, raiseWords, isPin, isCarried, cordWords, onward } = facts
  const on = onward === 0 ? '' : `, on over ${onward === 1 ? 'the pulley' : `the ${onward} pulleys`} to the foot end`
  const cord = cordWords === null ? 'Suspension' : `Suspension, ${cordWords} of cord,`
  const hung = `down to the weight, ${weightWords}, tied with a round turn and two half hitches, 20 cm clear of bed and floor, never over the leg`
  return [
    makeStep({
      id: 'pull',
      say: 'We pull your leg now, gently; it hurts for a moment and then eases.',
      text: `Cord from the ${isPin ? 'pin' : 'strips'} tied at the splint's end, ${pullWords}.`,
      why: 'Muscle shortens the bone ends past each other.',
      prevents: 'A leg that heals short.',
      after: [isCarried ? 'carried-pulley' : 'slings'],
      minutes: [1, 2, 3],
      hands: ['apply', 'hold-distal'],
      pull,
      where: ['bar'],
    }),
    makeStep({
      id: 'suspension',
      text: isCarried
        ? `${cord} in this order: tied to the beam with a bowline, over the headward pulley, down under the carried one, up over the footward pulley${on}, ${hung}. Knots on the outer side, every cord in its groove.`
        : `${cord} straight up from the bars over its pulley${on}, ${hung}. Knots on the outer side, the cord in its grooves.`,
      why: 'It carries the leg for washing and the bedpan; it is not the traction.',
      prevents: 'Cords off their wheels, knots that chafe.',
      after: ['pull'],
      minutes: [2, 4, 7],
      where: ['suspension'],
    }),
    makeStep({
      id: 'tie-off',
      text: 'Now that it hangs, retighten the cord while hands reduce.',
      why: 'The first pull and the hanging stretch strips and knots.',
      prevents: 'A slack cord by the next round.',
      say: 'We tighten once more; it may pull for a moment.',
      after: ['suspension'],
      minutes: [0.5, 1, 2],
      where: ['bar'],
    }),
    ...(counterWords === null
      ? []
      : [
          makeStep({
            id: 'weights',
            text: `Counterweight, ${counterWords}: a hand keeps it ${raiseWords === null ? '' : `until the foot end of the bed is raised, ${raiseWords}, `}then lowers it until it hangs free.`,
            why: 'Dropped it jerks the break; on the floor it does nothing; without the foot end up it pulls the patient down the bed.',
            prevents: 'A jolt of pain, feet against the bed end, a ring that carries everything.',
            say: 'The bed tilts a little, and a weight takes over. Tell me what you feel.',
            after: ['tie-off'],
            minutes: [0.7, 1.5, 3] as const,
          }),
        ]),
    makeStep({
      id: 'ring-finger',
      text: 'Last, a finger all round the ring.',
      why: 'What hangs and pulls has settled only now.',
      prevents: 'A ring that presses the groin all night.',
      say: 'I feel round the ring with a finger.',
      after: [counterWords === null ? 'tie-off' : 'weights'],
      minutes: [0.1, 0.3, 0.6],
      fits: ['finger'],
      where: ['ring'],
    }),
    closingCheck(['ring-finger'], 'both legs', ['dorsal-foot-pulse', 'toe']),
  ]
}

/** What to look at on the finished suspension. */
export const suspendedFit: readonly FitTest[] = [
  {
    id: 'finger',
    text: 'A finger all round the ring',
    why: 'Tight it presses skin and vessel.',
    remedy: 'Ease the cord or add counterweight.',
    where: ['ring'],
  },
  {
    id: 'heel',
    text: 'Heel and malleoli free',
    why: 'They break down first.',
    remedy: 'Move gutter or sling.',
    where: ['heel-instep', 'malleoli'],
  },
  { id: 'knee', text: 'Knee slightly bent', why: 'Straight it stiffens.', remedy: 'Move the middle sling.', where: ['knee'] },
  { id: 'foot', text: 'Foot upright', why: 'A turned leg heals turned.', remedy: 'Sling or prop the foot.', where: ['toe'] },
]

/** Care in words. */
export const suspendedCare: readonly string[] = [
  'Weights hang free, cords on their wheels, every shift and after every wash.',
  'Ring, heel and fibular neck every two hours.',
  'Too much on the ring: ease the cord or add counterweight.',
  'Moving the bed: weights stay on, or a named person pulls by hand.',
  'Pulse, blood pressure, breathing and new confusion beside the limb.',
]
