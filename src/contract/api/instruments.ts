import type { InstrumentId } from '#core/quantities/instrument-line'

/** A stand-in for an outside device, reached on its own loopback port. */
export interface InstrumentInfo {
  readonly id: InstrumentId
  readonly name: string
  /** WebSocket address of its stream. */
  readonly stream: string
  /** Address of its own panel. */
  readonly panel: string
}

/** Answer of GET /api/devices. */
export interface InstrumentsAnswer {
  readonly devices: readonly InstrumentInfo[]
}
