import { actionTexts, type ActionId } from '../model/action'
import type { Held, Posture } from '../model/danger'
import { isCordAsAtFirst, isFootDropAlone, type Situation, type StandingDanger } from './what-now'

/** The action that takes the device's own way of opening or easing as its second line. */
export const openingAction: Readonly<Record<Held, ActionId>> = {
  break: 'open-to-skin',
  pull: 'ease-pull',
  head: 'open-collar-held',
  spine: 'open-front',
}

/** An action in the words of what is on, where the patient is and how many are there. */
export function actionWords(id: ActionId, situation: Situation, standing: readonly StandingDanger[]): string {
  const { on, people, posture, column, cannotAsk } = situation
  const has = (...kinds: readonly StandingDanger['danger'][]): boolean => standing.some((danger) => kinds.includes(danger.danger))
  if (has('arrest')) return arrestWords(id, situation)
  const isPullKept = on?.holds === 'pull' && (!has('limb') || isFootDropAlone(standing.filter(({ danger }) => danger === 'limb')))
  switch (id) {
    case 'call-and-open':
      // What saves breath comes before the limb is opened.
      if (has('breathing', 'slow-breathing', 'vomiting')) return callWords(situation, false)
      return people > 1 ? actionTexts[id] : 'Shout for help and press Call: it pages the senior. Then open at once.'
    case 'call-senior':
      return callWords(situation, isCordAsAtFirst(standing) && standing.every(({ danger }) => danger === 'cord'))
    case 'turn-in-line':
      return turningWords(situation)
    case 'in-line':
      if (column !== null || on?.holds === 'spine' || has('cord'))
        return 'Keep head, shoulders and hips in line, as found; say so, and keep hold.'
      return on?.holds === 'break' && has('skin')
        ? 'One pair of hands holds the break still.'
        : 'Bring the limb in line by a gentle pull along it; feel for the pulse within a minute. Stop at resistance.'
    case 'flat-in-line':
      return posture === 'half-turned'
        ? 'Back flat by the shorter way, as one piece; then nothing more.'
        : people > 1
          ? actionTexts[id]
          : 'When hands have come: down flat and in line, by all of them, the device on.'
    case 'hands-on-pull':
      return has('limb') ? 'Hands on the pull at once, along the leg, in line.' : actionTexts[id]
    case 'as-breathes':
      return column === null ? actionTexts[id] : 'As the patient breathes best, the spine in line: tilt the whole bed or board.'
    case 'airway':
      return column === null ? actionTexts[id] : 'Clear the airway: jaw forward, suction; the head stays in line.'
    case 'open-to-skin':
      return on?.holds === 'pull' ? 'Still no pulse: open hitch or bandage down to the skin, the leg in line by hand.' : actionTexts[id]
    case 'ease-pull':
      return 'Ease the pull by half, then all of it; no scale: notch by notch. A hand on the leg in line; feel for the pulse within a minute at each. Keep the pull that brings it back, and write it down.'
    case 'set-again':
      return on?.pullKg == null ? actionTexts[id] : `Set it again, to the planned ${on.pullKg} kg.`
    case 'uncover':
      return has('burn') || on?.isWarm
        ? 'Take it off now: unwind or cut it, lift it away; support the limb, pull nothing. Do not wait for it to set.'
        : actionTexts[id]
    case 'free-point':
    case 'ease-point':
      return `${id === 'ease-point' && on?.holds !== 'pull' ? 'Ease the point that presses: trim, pad, seat it again.' : pointOf(id)}${isPullKept ? ' The pull stays.' : ''}`
    case 'loosen':
      return cannotAsk ? 'Loosen or split it now.' : actionTexts[id]
    case 'senior-30':
    case 'surgical-30':
      return cannotAsk ? `${actionTexts[id]} ${compartments}` : actionTexts[id]
    case 'lie-flat':
      return `${actionTexts[id]} Late pregnancy: tilted to the left.`
    case 'pressure-5':
      return isPullKept ? `${actionTexts[id]} The pull stays on.` : actionTexts[id]
    case 'nothing-opened':
      if (isCordAsAtFirst(standing))
        return 'Go on with what holds and what puts on. No roll and no transfer before the senior has answered, unless the place is dangerous.'
      return situation.isStiff
        ? 'Collar, vest and shell: open nothing, turn nothing, move nothing. A stiff spine is never straightened.'
        : actionTexts[id]
    default:
      return actionTexts[id]
  }
}

/** What is asked of a senior where the patient cannot say whether it hurts. */
const compartments = 'Ask: measure the compartments? (Diastolic less compartment under 30 mmHg.)'

function pointOf(id: 'free-point' | 'ease-point'): string {
  return id === 'free-point' ? actionTexts[id] : 'Ease the point that presses: cord, prop, pad, or a counterweight where there is one.'
}

/** @param isTold signs of the cord that were there from the first: one senior hears of them, and the work goes on */
function callWords({ on, people }: Situation, isTold: boolean): string {
  if (isTold) return 'Tell one senior now what was found. “Heard, go on as planned” is enough to go on.'
  if (people > 1) return actionTexts['call-senior']
  const isHolding = on?.holds === 'head' || on?.holds === 'spine' || on?.holds === 'pull'
  return `Shout for help and call the senior now${isHolding ? '; hands that hold call by voice or pedal' : ''}.`
}

/** How somebody who vomits is turned: by how they lie or sit, what holds them, and how many are there. */
function turningWords({ on, people, posture }: Situation): string {
  const strap = on?.holds === 'head' || on?.holds === 'spine' ? '; open the top strap' : ''
  if (posture === 'upright') return `Lean trunk and head forward as one, in line${strap}.`
  if (on?.holds === 'pull') return 'Hands on the pull; turn head and shoulders to the side, in line where the spine is not cleared.'
  return people > 1
    ? actionTexts['turn-in-line']
    : 'Near rail up, straps off; roll the patient away from you onto it, head on the arm. Somebody small: turn the board.'
}

const reachGround: Readonly<Record<Posture, string>> = {
  upright: 'Out the fastest way and flat on something firm',
  'half-turned': 'Onto the back, flat on something firm',
  lying: 'Flat on something firm',
}

function arrestWords(id: ActionId, { on, people, posture, isChild, column, noResuscitation }: Situation): string {
  switch (id) {
    case 'heed-order':
      return `There is an order against resuscitation, by ${noResuscitation ?? ''}: do as it says, once you know that it is this patient’s.`
    case 'compress':
      return `${reachGround[posture]}${on?.holds === 'pull' ? ', foot end down' : ''}: compress hard and fast, 100 to 120 a minute.${column === null ? '' : ' Head in line only by hands left over.'}`
    case 'call-senior':
      return people > 1 ? 'Call the arrest team and fetch the defibrillator.' : 'Shout and press Call: arrest team and defibrillator.'
    case 'airway':
      return 'Open the airway by jaw thrust; if that fails, tilt the head. After an injury look meanwhile for bleeding and at the chest.'
    case 'breathe-for':
      return isChild
        ? 'Five breaths first (local policy), then two after each fifteen compressions.'
        : 'Two breaths by mask after each thirty compressions.'
    case 'open-front':
      return 'Front of collar, vest or shell open, by whoever does not compress.'
    default:
      return actionTexts[id]
  }
}
