/** What a device is: its words on the wire, its range, how it settles. */
export interface DeviceKind {
  readonly path: string
  readonly hello: string
  readonly reading: string
  readonly title: string
  readonly quantity: string
  readonly unit: string
  readonly least: number
  readonly greatest: number
  readonly start: number
  /** Jitter that still counts as lying still. */
  readonly steadyJitter: number
}

/** What the panel sets: the quantity at the device, and what goes wrong. */
export interface SourceSettings {
  readonly value: number
  /** Half-width of the jitter, in the device's unit. */
  readonly jitter: number
  readonly batteryPercent: number
  /** Share of readings that are lost, 0 to 1. */
  readonly lossShare: number
}

/** A simulated device: settles over a few readings after each change, jitters, loses lines, tells its battery. */
export interface LineSource {
  readonly settings: SourceSettings
  change(changes: Partial<SourceSettings>): void
  /** The lines of the next tenth of a second. */
  tick(): readonly string[]
  /** The line of a pressed button. */
  hold(): string
}

const settleTicks = 8
const batteryEvery = 50

/** @param random 0 to 1, such as Math.random */
export function createLineSource(kind: DeviceKind, random: () => number): LineSource {
  let settings: SourceSettings = { value: kind.start, jitter: kind.steadyJitter * 0.4, batteryPercent: 82, lossShare: 0 }
  let sinceChange = settleTicks
  let ticks = 0
  let shown = settings.value
  const within = (value: number): number => Math.min(kind.greatest, Math.max(kind.least, value))
  return {
    get settings() {
      return settings
    },
    change(changes) {
      if (changes.value !== undefined && changes.value !== settings.value) sinceChange = 0
      settings = { ...settings, ...changes }
    },
    tick() {
      ticks++
      sinceChange++
      shown += (settings.value - shown) * Math.min(1, sinceChange / settleTicks)
      const value = within(shown + (random() * 2 - 1) * settings.jitter)
      const isSteady = sinceChange >= settleTicks && settings.jitter <= kind.steadyJitter
      const lines = random() < settings.lossShare ? [] : [`${kind.reading} ${value.toFixed(1)} ${isSteady ? 'S' : 'U'}`]
      return ticks % batteryEvery === 1 ? [...lines, `B ${Math.round(settings.batteryPercent)}`] : lines
    },
    hold: () => `H ${within(shown).toFixed(1)}`,
  }
}
