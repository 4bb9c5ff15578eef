import type { Held } from '../../model/danger'
import type { HandGrip, Hold, Step } from '../../model/step'
import type { HeldThing } from '../../model/held-thing'
import { makeStep } from './make-step'

/** Who takes what a device holds before it is opened or taken off, and what that hand does. */
export const takenBy: Readonly<Record<Held, { readonly what: HeldThing; readonly place: HandGrip; readonly text: string }>> = {
  head: {
    what: 'head',
    place: 'hold-joint',
    text: 'A second person holds the head in line with both hands, and keeps it, before anything is opened.',
  },
  spine: {
    what: 'spine',
    place: 'hold-joint',
    text: 'Flat on the back; a second person keeps head, shoulders and hips in line, and says so.',
  },
  pull: {
    what: 'pull',
    place: 'hold-distal',
    text: 'A second person takes the pull by hand, along the leg, at heel and instep, as much as the splint pulls now; keeps it, and says so.',
  },
  break: {
    what: 'break',
    place: 'hold-joint',
    text: 'A second person holds the limb in line, one hand above and one below the break, and keeps it.',
  },
}

const whyTaken: Readonly<Record<Held, readonly [string, string]>> = {
  head: ['What comes off has held the neck; from now on the hands do.', 'A neck that nobody holds.'],
  spine: ['What comes off has held the spine; from now on the hands do.', 'A spine that twists while nothing holds it.'],
  pull: ['Let go once, the muscles snap back and the break bleeds.', 'A leg without a pull between two splints.'],
  break: ['What comes off has held the break; from now on the hands do.', 'Bone ends that move while nothing holds them.'],
}

/** The step at which a hand takes what the device holds. */
export function takeHoldStep(held: Held, id: string, to: string, after: readonly string[]): Step {
  const { what, place, text } = takenBy[held]
  const [why, prevents] = whyTaken[held]
  const holds: Hold = { what, from: id, to, place }
  return makeStep({ id, text, why, prevents, after, minutes: [0.3, 0.5, 1], hands: [place], roles: ['hold-taken'], holds })
}

/**
 * The steps by which a device comes off, in its own words and order.
 * @param lines how it comes off, one step each
 * @param after what comes before the first
 */
export function comingOffSteps(lines: readonly string[], name: string, after: readonly string[], holder: HandGrip | null): readonly Step[] {
  return lines.map((text, index) =>
    makeStep({
      id: `off-${index + 1}`,
      text: index === 0 ? `${name} off: ${text.charAt(0).toLowerCase()}${text.slice(1)}` : text,
      why: 'Taken off in this order nothing jerks and nothing catches.',
      prevents: 'A limb or a neck moved by what is pulled from under it.',
      after: index === 0 ? after : [`off-${index}`],
      minutes: [0.3, 0.8, 2],
      hands: holder ? ['apply', holder] : ['apply'],
      roles: ['takes-off'],
    }),
  )
}

/** What is looked at and felt where something came off. */
export function underneathStep(id: string, held: Held, where: string, after: readonly string[]): Step {
  const isLimb = held === 'pull' || held === 'break'
  return makeStep({
    id,
    text: isLimb
      ? `Look at the skin all round ${where}, press what is red. Feel the pulse; toes or fingers move and feel as before?`
      : `Look at the skin ${where}, press what is red. Hands and feet move and feel as before?`,
    why: 'It is the one time that anybody sees it.',
    prevents: 'A sore, a burn or a lost pulse carried on unseen.',
    after,
    minutes: [0.5, 1, 2],
    roles: ['takes-off'],
    underneath: isLimb ? 'limb' : 'column',
  })
}
