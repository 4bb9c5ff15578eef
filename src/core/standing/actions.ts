import type { ActionId, DeviceKind, Level } from '../model/finding'

/** What saves the limb or the airway first, by what is on (STANDING, Order of actions). */
const urgentActions: Readonly<Record<DeviceKind, readonly ActionId[]>> = {
  shell: ['open-to-skin', 'ease-bend', 'heart-level', 'call-senior', 'nil-by-mouth', 'blood-pressure', 'again-15', 'surgical-30'],
  traction: ['ease-pull', 'check-again', 'call-senior', 'again-15', 'surgical-30'],
  collar: ['hold-head', 'open-collar-held', 'airway', 'call-senior', 'again-15'],
  trunk: ['flat-in-line', 'open-front', 'breathing', 'call-senior', 'again-15'],
}

/** The actions that open or ease the device itself: there is nothing to open before it is on. */
const onDevice: readonly ActionId[] = ['open-to-skin', 'ease-bend', 'ease-pull', 'open-collar-held', 'open-front', 'loosen']

/** The action that takes the device's own way of opening as its second line. */
export const openingAction: Readonly<Record<DeviceKind, ActionId>> = {
  shell: 'open-to-skin',
  traction: 'ease-pull',
  collar: 'open-collar-held',
  trunk: 'open-front',
}

/**
 * What is to be done about an alarm that only troubles raise which no round looks at: their own steps, then who is told. Opening or easing
 * the device answers none of them, and may be the wrong thing (a pull that was let go, an arrest).
 */
export function actionsForTrouble(level: Level): readonly ActionId[] {
  return ['as-trouble', level === 'urgent' ? 'call-senior' : 'senior-30', 'again-15']
}

/**
 * What is to be done, in order, about the worst that stands.
 * @param asksToWarm some refill was slow alike on both sides
 * @param isOn whether the device is on: only then it can be opened
 */
export function actionsFor(level: Level, device: DeviceKind, asksToWarm: boolean, isOn = true): readonly ActionId[] {
  const base: readonly ActionId[] =
    level === 'urgent' ? urgentActions[device] : level === 'review' ? ['loosen', 'senior-30', 'again-15'] : []
  return [...base.filter((action) => isOn || !onDevice.includes(action)), ...(asksToWarm ? (['warm-repeat'] as const) : [])]
}
