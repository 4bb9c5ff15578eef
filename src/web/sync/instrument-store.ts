import { create, type StoreApi, type UseBoundStore } from 'zustand'
import type { InstrumentsAnswer } from '#contract/api/instruments'
import { paths } from '#contract/api/paths'
import { parseInstrumentLine, type InstrumentId } from '#core/quantities/instrument-line'
import { callApi } from './api'

export interface InstrumentState {
  readonly status: 'apart' | 'pairing' | 'paired' | 'gone' | 'none'
  readonly name: string
  /** Where the simulated device is set. */
  readonly panel: string | null
  /** In the device's unit; null before a reading and once it has been silent for two seconds. */
  readonly value: number | null
  readonly isSteady: boolean
  readonly battery: number | null
  /** The last reading whose button was pressed, with a count that tells one press from the next. */
  readonly held: { readonly value: number; readonly press: number } | null
}

export interface InstrumentStore {
  readonly use: UseBoundStore<StoreApi<InstrumentState>>
  /** Finds the device and listens to it. */
  pair(): Promise<void>
  /** Lets the device go. */
  unpair(): void
}

const apart: InstrumentState = { status: 'apart', name: '', panel: null, value: null, isSteady: false, battery: null, held: null }
const silentMs = 2_000

function createInstrumentStore(id: InstrumentId): InstrumentStore {
  const use = create<InstrumentState>(() => apart)
  let socket: WebSocket | null = null
  let silence: ReturnType<typeof setTimeout> | undefined

  const listenForSilence = (): void => {
    clearTimeout(silence)
    silence = setTimeout(() => use.setState({ value: null, isSteady: false }), silentMs)
  }
  const take = (line: string): void => {
    const read = parseInstrumentLine(id, line)
    switch (read.kind) {
      case 'hello':
        return use.setState({ status: 'paired', name: read.name })
      case 'reading':
        listenForSilence()
        return use.setState({ value: read.value, isSteady: read.isSteady })
      case 'hold':
        return use.setState((state) => ({ held: { value: read.value, press: (state.held?.press ?? 0) + 1 } }))
      case 'battery':
        return use.setState({ battery: read.percent })
      case 'garbage':
        return
    }
  }
  const unpair = (): void => {
    const old = socket
    socket = null
    clearTimeout(silence)
    old?.close()
    use.setState(apart)
  }
  return {
    use,
    unpair,
    async pair() {
      unpair()
      use.setState({ ...apart, status: 'pairing' })
      const result = await callApi<InstrumentsAnswer>('GET', paths.devices)
      const device = result.kind === 'ok' ? result.value.devices.find((one) => one.id === id) : undefined
      if (!device) return use.setState({ status: 'none' })
      const opened = new WebSocket(device.stream)
      socket = opened
      use.setState({ panel: device.panel })
      opened.onmessage = ({ data }: MessageEvent<unknown>) => take(String(data))
      opened.onclose = () => {
        if (socket === opened) use.setState({ status: 'gone', value: null, isSteady: false })
      }
    },
  }
}

/** The paired devices: one of each for the whole application, so that they stay paired from screen to screen. */
export const pairedDevices: Readonly<Record<InstrumentId, InstrumentStore>> = {
  tape: createInstrumentStore('tape'),
  goniometer: createInstrumentStore('goniometer'),
  scale: createInstrumentStore('scale'),
}
