import type { LineDeviceId } from '#core/quantities/device-line'

/** A stand-in for an outside device, reached on its own loopback port. */
export interface DeviceInfo {
  readonly id: LineDeviceId
  readonly name: string
  /** WebSocket address of its stream. */
  readonly stream: string
  /** Address of its own panel. */
  readonly panel: string
}

/** Answer of GET /api/devices. */
export interface DevicesAnswer {
  readonly devices: readonly DeviceInfo[]
}
