import type { StepTimer } from '../../model/step'

/** The setting clock: starts when the wetting ends. */
export function settingTimer(minutes: number): StepTimer {
  return { id: 'set', label: 'Setting', minutes, kind: 'set', starts: 'done' }
}

/** How long it lies in the water: too short leaves dry layers, too long washes plaster out. */
export function wettingTimer(minutes: number): StepTimer {
  return { id: 'wetting', label: 'Wetting', minutes, kind: 'wetting', starts: 'shown', until: 'wet' }
}

/** The hold after moulding: likely minutes, the setting clock beside it decides. */
export function holdTimer(minutes: number): StepTimer {
  return { id: 'hold', label: 'Hold still', minutes, kind: 'hold', starts: 'shown', until: 'hold-set' }
}

/** Until full strength. Strength only: it never allows weight. */
export function cureTimer(minutes: number): StepTimer {
  return { id: 'cure', label: 'Full strength', minutes, kind: 'cure', starts: 'done' }
}

/** Most minutes from this step on until another one is done. */
export function limitTimer(label: string, minutes: number, until: string): StepTimer {
  return { id: 'limit', label, minutes, kind: 'limit', starts: 'shown', until }
}

/** Until a field splint has to be changed for the ward's traction. */
export function convertTimer(minutes: number): StepTimer {
  return { id: 'convert', label: 'Change the field splint', minutes, kind: 'limit', starts: 'done' }
}
