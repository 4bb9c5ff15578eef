import { tapeReachCm } from './reach'

/** What the panel sets: the length under the tape, and what goes wrong. */
export interface TapeSettings {
  readonly lengthCm: number
  /** Half-width of the jitter, cm. */
  readonly jitterCm: number
  readonly batteryPercent: number
  /** Share of readings that are lost, 0 to 1. */
  readonly lossShare: number
}

export const startSettings: TapeSettings = { lengthCm: 37.2, jitterCm: 0.1, batteryPercent: 82, lossShare: 0 }

/** A simulated tape: settles over a few readings after each change, jitters, loses lines, tells its battery. */
export interface Tape {
  readonly settings: TapeSettings
  change(changes: Partial<TapeSettings>): void
  /** The lines of the next tenth of a second. */
  tick(): readonly string[]
  /** The line of a pressed button. */
  hold(): string
}

const settleTicks = 8
const batteryEvery = 50

/** @param random 0 to 1, such as Math.random */
export function createTape(random: () => number): Tape {
  let settings = startSettings
  let sinceChange = settleTicks
  let ticks = 0
  let shown = settings.lengthCm
  const clampCm = (cm: number): number => Math.min(tapeReachCm, Math.max(0, cm))
  return {
    get settings() {
      return settings
    },
    change(changes) {
      if (changes.lengthCm !== undefined && changes.lengthCm !== settings.lengthCm) sinceChange = 0
      settings = { ...settings, ...changes }
    },
    tick() {
      ticks++
      sinceChange++
      shown += (settings.lengthCm - shown) * Math.min(1, sinceChange / settleTicks)
      const cm = clampCm(shown + (random() * 2 - 1) * settings.jitterCm)
      const isSteady = sinceChange >= settleTicks && settings.jitterCm <= 0.25
      const lines = random() < settings.lossShare ? [] : [`R ${cm.toFixed(1)} ${isSteady ? 'S' : 'U'}`]
      return ticks % batteryEvery === 1 ? [...lines, `B ${Math.round(settings.batteryPercent)}`] : lines
    },
    hold: () => `H ${clampCm(shown).toFixed(1)}`,
  }
}
