import type { FitTest } from '../../model/plan'
import type { Step } from '../../model/step'
import { holdHead } from '../shared/hold-head'
import { makeStep } from '../shared/make-step'
import { closingCheck, openingSteps } from '../shared/opening-steps'
import type { ExtricationCollarStep } from './roles'

export interface CollarFacts {
  readonly hasCollar: boolean
  readonly isSoft: boolean
  readonly oxygen: 'none' | 'mask' | 'cannula'
  readonly isChild: boolean
  readonly settingWords: string
  /** Slack of the strap over one flat finger, cm; null without a neck girth. */
  readonly slackCm: number | null
}

/** The steps of an extrication collar in a workable order; without one, hands and blocks. */
export function extricationCollarSteps(facts: CollarFacts): readonly Step<ExtricationCollarStep>[] {
  const last = facts.oxygen === 'none' ? 'chest-rest' : 'oxygen'
  return [
    ...openingSteps({
      head: holdHead('after-check', 'Resistance, pain or new signs on moving to the middle: stop and hold as found.'),
      side: undefined,
      compared: 'all four limbs',
      position: `Stand or kneel where the head can be held for long. ${facts.isChild ? 'Pad the trunk up 2 to 3 cm: a child has a large head. ' : ''}Suction and a turning plan ready.`,
      say: facts.hasCollar
        ? 'A collar comes round your neck. It is snug under the chin; tell us if it is hard to breathe or swallow.'
        : 'Blocks come beside your head and straps over forehead and chest. Tell us if anything is hard to bear.',
      layOut: `${facts.hasCollar ? 'collar, ' : ''}blocks, straps, suction${facts.oxygen === 'none' ? '' : ', oxygen'}`,
    }),
    ...(facts.hasCollar ? collarSteps(facts) : blockSteps()),
    makeStep({
      id: 'hands-off',
      text: 'Hands leave the head only when blocks and straps are on, or when precautions have ended.',
      why: 'A collar alone holds the chin, not the head.',
      prevents: 'A head that rolls on the stretcher.',
      after: [facts.hasCollar ? last : 'straps'],
      minutes: [0.5, 1, 2],
    }),
    closingCheck([facts.hasCollar ? last : 'straps'], 'all four limbs'),
    makeStep({
      id: 'tell-driver',
      text: 'Tell driver, carriers and whoever turns: gently, each jolt loads the neck. Say it again at departure and on the way.',
      why: 'Each jolt loads, swells and harms more; the body slides against the held head.',
      prevents: 'A jolt that undoes the care.',
      after: ['after-check'],
      minutes: [0.1, 0.2, 0.4],
    }),
  ]
}

function collarSteps({ isSoft, oxygen, settingWords, slackCm }: CollarFacts): readonly Step<ExtricationCollarStep>[] {
  const collar = [
    makeStep({
      id: 'neck-seen',
      text: 'Look at the neck and feel it, front and back; necklace and earrings off.',
      why: 'Once it is closed nobody sees a wound, a windpipe off the middle, or what presses.',
      prevents: 'A wound or a chain found under the collar.',
      say: 'I look at your neck and feel along it. Keep still; say yes or no, do not nod.',
      after: ['hold-head', 'baseline'],
      minutes: [0.2, 0.4, 0.8],
    }),
    makeStep({
      id: 'free-locks',
      text: isSoft ? 'Soft collar opened flat.' : 'Chin part brought into place, both release locks pulled free.',
      why: 'A lock left shut sizes one side only.',
      prevents: 'A collar that is higher on one side.',
      after: ['hold-head', 'lay-out'],
      minutes: [0.1, 0.2, 0.4],
    }),
    makeStep({
      id: 'size-collar',
      text: `Size while the head is held in line: ${settingWords}. Fingers on the neck from the top of the shoulder to the underside of the chin; then on the collar, the top finger at the sizing line, the lowest at the rigid edge, foam bent away.`,
      why: "Foam gives, and someone else's fingers are not yours.",
      prevents: 'A collar that tilts the head back.',
      after: ['free-locks', 'baseline'],
      minutes: [0.2, 0.4, 0.8],
      confirm: 'Setting read back',
      where: ['neck-height'],
    }),
    makeStep({
      id: 'lock-equal',
      text: 'Press both release locks home at the same mark of the sizing line; read both sides.',
      why: 'Unequal locks turn the head, and a lock left free slips in the move.',
      prevents: 'A head held crooked.',
      after: ['size-collar'],
      minutes: [0.1, 0.2, 0.4],
    }),
    makeStep({
      id: 'close-collar',
      text: 'Slide it behind, chin well in, close. One flat finger passes under the strap.',
      why: 'Slid under from the side the head stays where it is.',
      prevents: 'A chin inside the collar, a strap that fills the neck veins.',
      straps: { order: 'any', straps: [{ id: 'collar-strap', label: 'Collar strap', slackCm }] },
      say: 'The collar comes round your neck now. It is snug under the chin.',
      after: ['lock-equal', 'neck-seen'],
      minutes: [0.3, 0.5, 1],
      where: ['collar'],
    }),
    makeStep({
      id: 'chest-rest',
      text: 'Chest rest on the breastbone: the head cannot nod, the mouth opens, the ears are free.',
      why: 'A collar that floats holds nothing.',
      prevents: 'Nodding, and a mouth that cannot be sucked out.',
      after: ['close-collar'],
      minutes: [0.1, 0.2, 0.5],
      where: ['collar'],
    }),
  ]
  if (oxygen === 'none') return collar
  return [
    ...collar,
    makeStep({
      id: 'oxygen-flow',
      text:
        oxygen === 'mask'
          ? 'Oxygen flow set first, reservoir filled; then the mask on and sealed at the nose.'
          : 'Oxygen flow set first; then the cannula in.',
      say: 'Oxygen comes to your face now; breathe as you like.',
      why: 'A mask without flow takes breath instead of giving it.',
      prevents: 'A patient who breathes into an empty bag.',
      after: ['chest-rest'],
      minutes: [0.2, 0.4, 0.8],
    }),
    makeStep({
      id: 'oxygen',
      text:
        oxygen === 'mask'
          ? 'Its strap below the collar’s chin piece, never on chin or throat, through both hooks, snug; one pull frees it. No tape on the face.'
          : 'Its tubing snug below the chin piece, through both hooks. No tape on the face.',
      why: 'Led so, it comes off without opening the collar.',
      prevents: 'A collar opened to change a mask.',
      after: ['oxygen-flow'],
      minutes: [0.2, 0.4, 0.8],
    }),
  ]
}

function blockSteps(): readonly Step<ExtricationCollarStep>[] {
  return [
    makeStep({
      id: 'blocks',
      text: 'Blocks on both sides of the head, hands still on.',
      why: 'They take over what the hands hold, one side at a time.',
      prevents: 'A gap that lets the head roll.',
      after: ['hold-head', 'baseline', 'lay-out'],
      minutes: [0.3, 0.5, 1],
    }),
    makeStep({
      id: 'straps',
      text: 'Straps over forehead and chest; never under the chin.',
      why: 'A chin strap closes the mouth of somebody who vomits.',
      prevents: 'A blocked airway.',
      straps: {
        order: 'any',
        straps: [
          { id: 'forehead', label: 'Forehead strap', slackCm: null },
          { id: 'chest', label: 'Chest strap', slackCm: null },
        ],
      },
      after: ['blocks'],
      minutes: [0.3, 0.5, 1],
    }),
  ]
}

/** What to look at on the closed collar. */
export const extricationCollarFit: readonly FitTest[] = [
  {
    id: 'ears',
    text: 'Ears free',
    why: 'Folded ears hurt and break down.',
    remedy: 'Open, free them, close again with the head held.',
    where: ['collar'],
  },
  {
    id: 'straight',
    text: 'Straight, on the shoulders',
    why: 'Crooked it turns the head.',
    remedy: 'Set it again with the head held.',
    where: ['shoulder-line'],
  },
  {
    id: 'finger',
    text: 'A flat finger under the strap',
    why: 'Tight it fills the neck veins.',
    remedy: 'Let the strap out.',
    where: ['collar'],
  },
  { id: 'mouth', text: 'Mouth opens', why: 'Suction and vomit need it.', remedy: 'Take a lower setting.', where: ['neck-height'] },
]

/** Care in words. */
export const extricationCollarCare: readonly string[] = [
  'Off as soon as the neck is cleared: it reduces movement and is one part of protection.',
  'Skin looked at within 2 hours; beyond 4 to 6 hours a care collar.',
  'Noisy or harder breathing, a changed voice, trouble swallowing, full neck veins: open it while the head is held, and call.',
]
