import { create } from 'zustand'
import type { DevicesAnswer } from '#contract/devices'
import { paths } from '#contract/paths'
import { parseTapeLine } from '#core/quantities/tape-line'
import { callApi } from './api'

export interface TapeState {
  readonly status: 'apart' | 'pairing' | 'paired' | 'gone' | 'none'
  readonly name: string
  /** Where the simulated tape is squeezed. */
  readonly panel: string | null
  readonly cm: number | null
  readonly isSteady: boolean
  readonly battery: number | null
  /** The last reading whose button was pressed, with a count that tells one press from the next. */
  readonly held: { readonly cm: number; readonly press: number } | null
}

const apart: TapeState = { status: 'apart', name: '', panel: null, cm: null, isSteady: false, battery: null, held: null }

/** The paired digital tape: one for the whole application, so that it stays paired from place to place. */
export const useTape = create<TapeState>(() => apart)

let socket: WebSocket | null = null

/** Finds the tape and listens to it. */
export async function pairTape(): Promise<void> {
  unpairTape()
  useTape.setState({ ...apart, status: 'pairing' })
  const result = await callApi<DevicesAnswer>('GET', paths.devices)
  const tape = result.kind === 'ok' ? result.value.devices.find((device) => device.id === 'tape') : undefined
  if (!tape) return useTape.setState({ status: 'none' })
  const opened = new WebSocket(tape.stream)
  socket = opened
  useTape.setState({ panel: tape.panel })
  opened.onmessage = ({ data }: MessageEvent<unknown>) => take(String(data))
  opened.onclose = () => {
    if (socket === opened) useTape.setState({ status: 'gone', cm: null, isSteady: false })
  }
}

/** Lets the tape go. */
export function unpairTape(): void {
  const old = socket
  socket = null
  old?.close()
  useTape.setState(apart)
}

function take(line: string): void {
  const read = parseTapeLine(line)
  switch (read.kind) {
    case 'hello':
      return useTape.setState({ status: 'paired', name: read.name })
    case 'reading':
      return useTape.setState({ cm: read.cm, isSteady: read.isSteady })
    case 'hold':
      return useTape.setState((state) => ({ held: { cm: read.cm, press: (state.held?.press ?? 0) + 1 } }))
    case 'battery':
      return useTape.setState({ battery: read.percent })
    case 'garbage':
      return
  }
}
