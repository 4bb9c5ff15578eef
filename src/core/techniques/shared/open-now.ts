import type { Held } from '../../model/danger'
import type { Step } from '../../model/step'
import { makeStep } from './make-step'
import { closingCheck } from './opening-steps'
import { takeHoldStep } from './coming-off'

export interface OpenNowFacts {
  /** The part that the device is on: "LEFT leg", "neck". */
  readonly where: string
  readonly held: Held
  /** How this device is opened or eased, step by step. */
  readonly lines: readonly Step[]
  /** What the last look compares: "both legs", "all four limbs". */
  readonly compared: string
}

/**
 * Opening at once what presses: the place is confirmed and the call is out; a hand takes what the device holds; the device's own
 * lines; a bend is eased; the limb is looked at, at heart level. Nothing is prepared, drawn or explained first.
 */
export function openNowSteps({ where, held, lines, compared }: OpenNowFacts): readonly Step[] {
  const isLimb = held === 'break' || held === 'pull'
  const confirm = makeStep({
    id: 'confirm-now',
    text: `${where}: is it this one? Say name and side aloud. Press Call: it pages the senior; one calls, the other opens.`,
    why: 'Minutes count, and one wrong limb costs them all.',
    prevents: 'The other limb opened, and nobody on the way.',
    after: [],
    minutes: [0.1, 0.2, 0.4],
    confirm: `${where}, and called`,
    answers: [held === 'break' ? 'call-and-open' : 'call-senior'],
  })
  const last = lines.at(-1)?.id ?? confirm.id
  const taken = held === 'break' ? [] : [handsFirst(held, last, confirm.id)]
  const before = taken[0]?.id ?? confirm.id
  const own = lines.map((line, index) => ({ ...line, after: [index === 0 ? before : (lines[index - 1]?.id ?? before)] }))
  const eased = held === 'break' ? [easeBend(last)] : []
  const check: Step = { ...closingCheck([eased[0]?.id ?? last], compared), roles: ['check-after'] }
  return [
    confirm,
    ...taken,
    ...own,
    ...eased,
    isLimb ? { ...atHeartLevel(check), answers: held === 'break' ? ['heart-level', 'again-5'] : ['check-again'] } : check,
  ]
}

/** A hand takes what the device holds; on a limb that its pull starves the hand holds it in line, and pulls no harder than what is eased. */
function handsFirst(held: Held, to: string, after: string): Step {
  const step = takeHoldStep(held, 'hold-now', to, [after])
  // Opened for breath: nobody is laid flat for it.
  if (held === 'spine')
    return { ...step, text: 'As the patient breathes best; a second person keeps head, shoulders and hips in line, and says so.' }
  if (held !== 'pull') return step
  return {
    ...step,
    text: 'A second person holds the leg in line by hand, at heel and instep; the hands do not take the place of the pull that is eased.',
    why: 'A pull that the hands keep up eases nothing.',
    prevents: 'A foot that stays without blood, and a leg that falls out of line.',
  }
}

/** The look afterwards, the limb laid down first. */
function atHeartLevel(check: Step): Step {
  return makeStep({
    ...check,
    headline: 'The limb down, and the same look once more',
    lines: [{ id: 'down', act: 'lay', by: 'you', text: 'Limb down to heart level, not above it.' }, ...(check.lines ?? [])],
  })
}

function easeBend(after: string): Step {
  return makeStep({
    id: 'ease-bend',
    text: 'Ease any bend that the device held: one person supports above and below the break. Nobody pulls it straight.',
    why: 'A bend at knee, ankle, elbow or wrist kinks the artery.',
    prevents: 'An opened device, and still no pulse.',
    after: [after],
    minutes: [0.2, 0.5, 1],
    hands: ['apply', 'hold-joint'],
    roles: ['eases'],
    answers: ['ease-bend'],
  })
}

/**
 * The lines of a device that opens by itself, as steps.
 * @param pullKg the pull that is on, kg; null where it holds none or nobody knows
 */
export function ownOpeningLines(actions: readonly string[], held: Held, pullKg: number | null = null): readonly Step[] {
  if (held === 'pull') return easingLines(actions, pullKg)
  const lines = actions.map((text, index) =>
    makeStep({
      id: `open-${index + 1}`,
      text,
      why: 'What presses is undone before anything else is thought of.',
      prevents: 'A limb or a breath lost under a device that looks well.',
      after: [],
      minutes: [0.2, 0.5, 1],
      roles: ['opens'],
      ...(index === actions.length - 1 && openedBy[held] ? { answers: openedBy[held] } : {}),
      ...(index === 0 ? { say: 'I open it now. Tell me at once what changes.' } : {}),
    }),
  )
  return lines
}

/** A pull is eased by half, then all of it, the pulse felt at each; what brings it back is written down as the pull that is on. */
function easingLines(actions: readonly string[], pullKg: number | null): readonly Step[] {
  const way = actions.join(' ')
  const easing = { why: 'The pull itself can press the artery shut.', after: [], minutes: [0.5, 1, 2], roles: ['eases'] } as const
  const half = pullKg === null ? 'by half; no scale: notch by notch' : `by half, to ${(pullKg / 2).toFixed(1)} kg; no scale: notch by notch`
  return [
    makeStep({
      ...easing,
      id: 'ease-half',
      text: `Ease the pull ${half}. ${way} Feel for the pulse within a minute.`,
      prevents: 'A foot without blood that waits for somebody to dare.',
      say: 'I let the pull go down a little. Tell me at once what changes.',
    }),
    makeStep({
      ...easing,
      id: 'ease-all',
      text: `No pulse: let the rest of the pull go. ${way} Feel again within a minute. A pulse: leave it as it is.`,
      prevents: 'A half of the pull that still takes the pulse.',
      answers: ['ease-pull'],
    }),
    makeStep({
      ...easing,
      id: 'keep-eased',
      text: 'The pull that brought the pulse back is the pull that is on: keep it, and write it down. None brought it back: 0.',
      why: 'Whoever comes next would set it back to what was planned.',
      prevents: 'The pulse taken a second time.',
      pull: { expectedKg: null, mostKg: pullKg ?? 12, toRelief: false, school: 'No more than brings the pulse back' },
    }),
    stillNoPulse,
  ]
}

const openedBy: Readonly<Record<Held, NonNullable<Step['answers']>>> = {
  break: ['open-to-skin'],
  pull: [],
  head: ['open-collar-held'],
  spine: ['open-front'],
}

const stillNoPulse: Step = makeStep({
  id: 'still-no-pulse',
  text: 'Still no pulse: bandage or hitch open down to the skin. None within a minute: the traction off, the leg held in line by hand; surgeon now.',
  why: 'Eased is not always enough; what wraps the leg presses too.',
  prevents: 'A foot without blood while the cord hangs slack.',
  after: [],
  minutes: [0.5, 1, 2],
  roles: ['opens'],
})
