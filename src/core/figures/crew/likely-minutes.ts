import type { CrewWindow } from '../../model/crew-input'

/** A step of the wet phase with its likely minutes, in the order in which one applier does them. */
export interface LikelyStep {
  readonly id: string
  readonly likelyMin: number
}

/** Something that is done when what it is done to has stiffened, or nearly. */
export interface Lateness {
  readonly window: CrewWindow
  /** When it is done by the likely minutes, from the start of the wet phase. */
  readonly doneMin: number
  /** Until when it would have been in time. */
  readonly limitMin: number
}

/**
 * Lays the wet steps one after the other by their likely minutes and looks at every clock.
 * @param steps in the order in which they are done, by one applier
 * @param setMin setting time, minutes
 * @returns every window with when it is done and its limit, in the order of the windows; a window whose steps are not there is left out
 * @example rolls of 1.2 min, moulded after three of them: done at 4.2; at 18 °C the limit is 0.8 × 5.87 = 4.69
 */
export function likelyWindows(steps: readonly LikelyStep[], windows: readonly CrewWindow[], setMin: number): readonly Lateness[] {
  const startMin = new Map<string, number>()
  const endMin = new Map<string, number>()
  let now = 0
  for (const { id, likelyMin } of steps) {
    startMin.set(id, now)
    now += likelyMin
    endMin.set(id, now)
  }
  return windows.flatMap((window): readonly Lateness[] => {
    const wettedMin = (window.at === 'start' ? startMin : endMin).get(window.from)
    const doneMin = (window.toAt === 'start' ? startMin : endMin).get(window.to)
    if (wettedMin === undefined || doneMin === undefined) return []
    return [{ window, doneMin, limitMin: wettedMin + window.share * setMin }]
  })
}

/** By how much the latest of them is late, minutes; below 0 where all are in time. */
export function worstLateMin(windows: readonly Lateness[]): number {
  return Math.max(-Infinity, ...windows.map(({ doneMin, limitMin }) => doneMin - limitMin))
}
