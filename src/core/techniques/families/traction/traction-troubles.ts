import type { Trouble } from '../../../model/trouble'
import { breathless, lostPulse, newNumbness, shortOfMaterial, wantsToStop, wholePatient } from '../../shared/troubles'

const grips = {
  'ankle hitch': {
    one: 'The ankle hitch',
    slipped: 'has slipped',
    bites: 'bites',
    anew: 'A fresh hitch, padded, lower and flat.',
    bare: 'Open the hitch',
  },
  'skin strips': {
    one: 'The skin strips',
    slipped: 'have slipped',
    bites: 'bite',
    anew: 'New strips, padded over the ankle, lower and flat.',
    bare: 'Bandage and strips off',
  },
} as const

/** What a traction splint is built of, as far as it can fail. */
export interface TractionKit {
  /** How this splint gives up its pull. */
  readonly release: readonly string[]
  /** Where the pull holds on the leg. */
  readonly grip: keyof typeof grips
  /** The pull is tied with a cord. */
  readonly hasCord: boolean
  /** Weights hang from cords over wheels. */
  readonly hasWeights: boolean
}

/** What goes wrong in traction, whatever the splint, and what its cords and weights add. */
export function tractionTroubles({ release, grip, hasCord, hasWeights }: TractionKit): readonly Trouble[] {
  return [
    lostPulse(release),
    newNumbness(release),
    footDrop,
    ...(hasWeights ? weightTroubles : []),
    pullLost('pull-lost', 'The pull was let go', 'Take it by hand, smoothly; build it up from the beginning, pain asked before and after.'),
    ...(hasCord ? [pullLost('knot-slips', 'The knot slips, the cord is slack', 'Untie it while hands pull: a new knot, tested.')] : []),
    ...gripTroubles(grip, hasWeights),
    {
      id: 'ring-in-groin',
      danger: 'point',
      label: 'Ring or strap presses in the groin',
      level: 'urgent',
      actions: [
        'A finger all round, to where it stops: look there for skin that is red, wet or broken.',
        hasWeights
          ? 'Cord eased a little, or counterweight added as ordered; the pad turned, dry and smooth.'
          : 'A prop under the splint’s end, the pad turned, dry and smooth; the pull stays as planned.',
        'Genitals free, no fold of skin caught. Look again in 30 minutes.',
      ],
    },
    {
      id: 'pain-worse',
      label: 'Pain worse with the pull',
      level: 'urgent',
      item: 'painBeyondExpected',
      actions: [
        'Hold the pull where it is; no more.',
        'Look for hip, pelvis, knee or ankle hurt as well: then ease the pull and support the leg.',
        'Pain block, call the senior.',
      ],
    },
    ...wholePatient('Hands keep the pull, along the leg; nobody lets go to hold the patient down.').map((trouble) =>
      trouble.id === 'breathless' ? breathless(['Head end up, spine in line; the pull stays on by hand.']) : trouble,
    ),
    shortOfMaterial('Hands keep the pull; splint to the other leg if nothing comes.'),
    wantsToStop,
  ]
}

/** Slipping, sore skin and a biting edge are three things, and each has its own answer. */
function gripTroubles(grip: TractionKit['grip'], hasWeights: boolean): readonly Trouble[] {
  const { one, slipped, bites, anew, bare } = grips[grip]
  const free = hasWeights
    ? 'Hands on the pull, along the leg; then the weights off.'
    : 'Hands on the pull, along the leg; then the cord or ratchet let off.'
  return [
    pullLost('slipped', `${one} ${slipped}`, `${hasWeights ? 'Weights off while hands pull. ' : ''}${anew}`),
    {
      id: 'sore',
      danger: 'own',
      label: `${one}: the skin below is sore or blistered`,
      level: 'review',
      item: 'skin',
      actions: [
        free,
        `${bare}, and look: red, blistered, broken, where, how large.`,
        'Nothing sticks to that skin again: another strip beside it, or a padded hitch; hands pull until it holds.',
        'Pulse, feeling, movement; the skin again in 2 hours. Broken skin: tell the senior.',
      ],
    },
    {
      id: 'bites',
      danger: 'own',
      label: `${one} ${bites} at an edge`,
      level: 'review',
      item: 'skin',
      actions: [
        'Hands on the pull while that edge is freed; nothing else is opened.',
        'Lay that edge flat, a pad under it, clear of the bone; look at the skin there.',
        'Still bites in 10 minutes: hands on the pull, and put it on anew.',
      ],
    },
  ]
}

/** Something by which the leg has lost its pull: whoever is there takes it by hand, also alone at night. */
function pullLost(id: string, label: string, mend: string): Trouble {
  return {
    id,
    danger: 'pull-lost',
    label,
    level: 'urgent',
    actions: [
      'Hands on the pull at once, along the leg, at heel and instep; call out for a second person.',
      mend,
      'Set again to the planned weight. Pulse, feeling, movement; again in 15 minutes.',
    ],
  }
}

const footDrop: Trouble = {
  id: 'foot-drop',
  label: 'The foot or the great toe no longer comes up',
  level: 'urgent',
  item: 'movement/deep-peroneal',
  actions: [
    'Free what presses outside below the knee: ring, strap, sling, a leg that has turned out. The pull stays.',
    'Knee and foot upright again, a pad clear of the fibular neck.',
    'Call the senior; the same movement again in 15 minutes.',
  ],
}

const weightTroubles: readonly Trouble[] = [
  pullLost(
    'weight-on-floor',
    'The weight stands on the floor or the bed',
    'Shorten the cord, or draw the patient up the bed; lower the weight by hand until it hangs free.',
  ),
  pullLost(
    'cord-off-wheel',
    'A cord is off its wheel',
    'The second lifts the weight, lays the cord into its groove and lowers the weight by hand.',
  ),
  pullLost(
    'slid-down',
    'The patient has slid down the bed',
    'Draw the patient up as one piece while hands pull; foot end raised as planned; then the weights, one by one.',
  ),
  {
    id: 'lifts-weight',
    label: 'Somebody lifts the weight, or took it off',
    level: 'review',
    actions: [
      'Hands on the pull until it hangs again; lower it by hand to the planned weight.',
      'Ask why: pain, the bedpan, a visitor, a bed that was moved. Say what the weight does, and who may touch it.',
      'Pulse, feeling and movement; the weights again in 15 minutes.',
    ],
  },
]
