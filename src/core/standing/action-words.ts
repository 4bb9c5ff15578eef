import { actionTexts, type ActionId } from '../model/action'
import type { Held } from '../model/danger'
import type { Situation, StandingDanger } from './what-now'

/** The action that takes the device's own way of opening or easing as its second line. */
export const openingAction: Readonly<Record<Held, ActionId>> = {
  break: 'open-to-skin',
  pull: 'ease-pull',
  head: 'open-collar-held',
  spine: 'open-front',
}

/** An action in the words of what is on, where the patient is and how many are there. */
export function actionWords(id: ActionId, situation: Situation, standing: readonly StandingDanger[]): string {
  const { on, people, posture, column } = situation
  const has = (danger: StandingDanger['danger']): boolean => standing.some((one) => one.danger === danger)
  switch (id) {
    case 'call-and-open':
      return people > 1 ? actionTexts[id] : 'Press Call: it pages the senior. Then open at once.'
    case 'in-line':
      if (column !== null || on?.holds === 'spine') return 'Keep the spine in line, as found; say so, and do not let go.'
      return on?.holds === 'break' && has('skin')
        ? 'One pair of hands holds the break still.'
        : 'Bring the limb in line by a gentle pull along it; feel for the pulse within a minute. Stop at resistance.'
    case 'flat-in-line':
      return posture === 'half-turned'
        ? 'Back flat by the shorter way, as one piece; then nothing more.'
        : people > 1
          ? actionTexts[id]
          : 'Call for hands; then down flat and in line, by all who come, the device on.'
    case 'as-breathes':
      return column === null ? actionTexts[id] : 'Let the patient be as they breathe best, the spine in line: tilt the whole bed or board.'
    case 'airway':
      return column === null ? actionTexts[id] : 'Clear the airway: jaw forward, suction; the head stays in line.'
    case 'open-to-skin':
      return on?.holds === 'pull' ? 'No pulse within a minute: open bandage or hitch down to the skin, the leg held.' : actionTexts[id]
    case 'ease-pull':
      return 'Ease to the last pull that had a pulse, one person holding the leg; feel for it within a minute.'
    case 'set-again':
      return on?.pullKg == null ? actionTexts[id] : `Set it again, to the planned ${on.pullKg} kg.`
    case 'uncover':
      return has('burn') || on?.isWarm ? 'Take it off now: unwind or cut it, lift it away. Do not wait for it to set.' : actionTexts[id]
    case 'ease-point':
      return on?.holds === 'pull'
        ? 'Ease the point that presses: cord, prop, pad, or a counterweight where there is one. The pull stays.'
        : 'Ease the point that presses: trim, pad, seat it again.'
    case 'lie-flat':
      return `${actionTexts[id]} Late pregnancy: tilted to the left.`
    case 'pressure-5':
      return on?.holds === 'pull' && !has('limb') ? `${actionTexts[id]} The pull stays on.` : actionTexts[id]
    case 'nothing-opened':
      return situation.isStiff ? 'Open nothing, turn nothing, move nothing. A stiff spine is never straightened.' : actionTexts[id]
    default:
      return actionTexts[id]
  }
}
