import { useEffect, useRef } from 'react'
import type { InstrumentId } from '#core/quantities/instrument-line'
import { pairedDevices } from '../../sync/instrument-store'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'

const lowBattery = 15

/** A digital device beside what it fills in: what it shows, whether it is still, and taking the reading when its button is pressed. */
export function InstrumentPanel({
  id,
  name,
  format,
  onTake,
}: {
  id: InstrumentId
  /** As in "the digital tape". */
  name: string
  format: (value: number) => string
  onTake: (value: number) => void
}) {
  const store = pairedDevices[id]
  const device = store.use()
  const seenPress = useRef(device.held?.press ?? 0)
  useEffect(() => {
    if (!device.held || device.held.press === seenPress.current) return
    seenPress.current = device.held.press
    onTake(device.held.value)
  }, [device.held, onTake])
  if (device.status === 'apart' || device.status === 'pairing') {
    return (
      <Button onClick={() => void store.pair()} disabled={device.status === 'pairing'}>
        {device.status === 'pairing' ? 'Pairing…' : `Pair the digital ${name}`}
      </Button>
    )
  }
  if (device.status === 'none' || device.status === 'gone') {
    return (
      <div className="grid flex-1 gap-2">
        <Notice
          tone="caution"
          lead={device.status === 'none' ? `No digital ${name} answers` : `The ${name} is gone: nothing was taken`}
          role="status"
        >
          {device.status === 'none'
            ? 'Type the reading, or switch it on and pair again.'
            : 'Type the reading, or plug it in and pair again.'}
        </Notice>
        <div>
          <Button onClick={() => void store.pair()}>Pair again</Button>
        </div>
      </div>
    )
  }
  const { value, isSteady } = device
  return (
    <section
      aria-label={`Digital ${name}`}
      className="flex flex-1 flex-wrap items-center gap-x-4 gap-y-2 rounded-2xl border border-line bg-sheet px-4 py-2"
    >
      <p className="numeral text-2xl">{value === null ? '–' : format(value)}</p>
      <p className={`font-semibold ${isSteady ? 'text-calm' : 'text-caution'}`}>
        {value === null ? 'waiting' : isSteady ? '■ steady' : '≈ moving'}
      </p>
      {device.battery !== null && device.battery <= lowBattery ? (
        <p className="font-semibold text-caution">battery {device.battery} %</p>
      ) : null}
      <Button
        refuses={value === null || !isSteady ? 'It still moves: hold it still until it says steady.' : null}
        onClick={() => value !== null && onTake(value)}
      >
        Take it
      </Button>
      <Button look="quiet" onClick={store.unpair}>
        Let go
      </Button>
      {device.panel ? (
        <a
          href={device.panel}
          target="_blank"
          rel="noreferrer"
          className="min-h-11 content-center text-sm text-soft underline underline-offset-4"
        >
          set the simulated {name}
        </a>
      ) : null}
    </section>
  )
}
