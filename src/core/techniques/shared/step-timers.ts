import type { StepTimer } from '../../model/step'

/** The setting clock: starts when the wetting ends. */
export function settingTimer(minutes: number): StepTimer<never> {
  return { id: 'set', label: 'Setting', minutes, kind: 'set', starts: 'done' }
}

/** How long it lies in the water: too short leaves dry layers, too long washes plaster out. */
export function wettingTimer(minutes: number): StepTimer<'wet'> {
  return { id: 'wetting', label: 'Wetting', minutes, kind: 'wetting', starts: 'shown', until: 'wet' }
}

/**
 * How long a hold lasts from the last wetting over it; then it is felt whether it is hard.
 * @param starts with the step of a roll, which wets it; at the end of a step that only wets
 */
export function releaseTimer(releaseMin: number, starts: 'shown' | 'done'): StepTimer<'hold-set'> {
  return { id: 'hold', label: 'Hold still', minutes: releaseMin, kind: 'hold', starts, until: 'hold-set' }
}

/** The clock of turning and setting down, from the last wetting. */
export function lowerTimer(lowerMin: number, starts: 'shown' | 'done'): StepTimer<never> {
  return { id: 'lower', label: 'Set down or turn no sooner', minutes: lowerMin, kind: 'wait', starts }
}

/** What is said where it is set down or turned. */
export const lowerWords = 'not before its clock, or sooner only with one named hand above and one below'

/** Until full strength. Strength only: it never allows weight. */
export function cureTimer(minutes: number): StepTimer<never> {
  return { id: 'cure', label: 'Full strength', minutes, kind: 'cure', starts: 'done' }
}

/** Most minutes from this step on until another one is done. */
export function limitTimer<Id extends string>(label: string, minutes: number, until: Id): StepTimer<Id> {
  return { id: 'limit', label, minutes, kind: 'limit', starts: 'shown', until }
}

/** Until a field splint has to be changed for the ward's traction. */
export function convertTimer(minutes: number): StepTimer<never> {
  return { id: 'convert', label: 'Change the field splint', minutes, kind: 'limit', starts: 'done' }
}
