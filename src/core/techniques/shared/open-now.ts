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
 * Opening at once what presses (TURNS 4): the place is confirmed and the call is out; a hand takes what the device holds; the device's own
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
  const taken = held === 'break' ? [] : [takeHoldStep(held, 'hold-now', last, [confirm.id])]
  const before = taken[0]?.id ?? confirm.id
  const own = lines.map((line, index) => ({ ...line, after: [index === 0 ? before : (lines[index - 1]?.id ?? before)] }))
  const eased = held === 'break' ? [easeBend(last)] : []
  const check: Step = { ...closingCheck([eased[0]?.id ?? last], compared), roles: ['check-after'] }
  return [
    confirm,
    ...taken,
    ...own,
    ...eased,
    isLimb
      ? { ...check, text: `${heartLevel} ${check.text}`, answers: held === 'break' ? ['heart-level', 'again-5'] : ['check-again'] }
      : check,
  ]
}

const heartLevel = 'Limb down to heart level, not above it.'

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

/** The lines of a device that opens by itself, as steps. */
export function ownOpeningLines(actions: readonly string[], held: Held): readonly Step[] {
  const lines = actions.map((text, index) =>
    makeStep({
      id: `open-${index + 1}`,
      text,
      why: 'What presses is undone before anything else is thought of.',
      prevents: 'A limb or a breath lost under a device that looks well.',
      after: [],
      minutes: [0.2, 0.5, 1],
      roles: [held === 'pull' ? 'eases' : 'opens'],
      ...(index === actions.length - 1 && openedBy[held] ? { answers: openedBy[held] } : {}),
      ...(index === 0 ? { say: 'I open it now. Tell me at once what changes.' } : {}),
    }),
  )
  return held === 'pull' ? [...lines, stillNoPulse] : lines
}

const openedBy: Readonly<Record<Held, NonNullable<Step['answers']>>> = {
  break: ['open-to-skin'],
  pull: ['ease-pull'],
  head: ['open-collar-held'],
  spine: ['open-front'],
}

const stillNoPulse: Step = makeStep({
  id: 'still-no-pulse',
  text: 'Feel for the pulse within a minute. None: bandage or hitch open down to the skin. Still none: the traction off, the leg held in line by hand.',
  why: 'Eased is not always enough; what wraps the leg presses too.',
  prevents: 'A foot without blood while the cord hangs slack.',
  after: [],
  minutes: [0.5, 1, 2],
  roles: ['opens'],
})
