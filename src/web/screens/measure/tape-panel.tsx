import { useEffect, useRef } from 'react'
import { formatLength } from '#core/plan/format-decision'
import { Button } from '../../parts/button'
import { Notice } from '../../parts/notice'
import { useSettings } from '../../stores/session-store'
import { pairTape, unpairTape, useTape } from '../../stores/tape-store'

const lowBattery = 15

/** The digital tape beside the keypad: what it shows, whether it is still, and taking the reading when its button is pressed. */
export function TapePanel({ onTake }: { onTake: (cm: number) => void }) {
  const tape = useTape()
  const { units } = useSettings()
  const seenPress = useRef(tape.held?.press ?? 0)
  useEffect(() => {
    if (!tape.held || tape.held.press === seenPress.current) return
    seenPress.current = tape.held.press
    onTake(tape.held.cm)
  }, [tape.held, onTake])
  if (tape.status === 'apart' || tape.status === 'pairing') {
    return (
      <Button onClick={() => void pairTape()} disabled={tape.status === 'pairing'}>
        {tape.status === 'pairing' ? 'Pairing…' : 'Pair the digital tape'}
      </Button>
    )
  }
  if (tape.status === 'none' || tape.status === 'gone') {
    return (
      <div className="grid flex-1 gap-2">
        <Notice
          tone="caution"
          lead={tape.status === 'none' ? 'No digital tape answers' : 'The tape is gone: nothing was taken'}
          role="status"
        >
          {tape.status === 'none'
            ? 'Type the reading, or switch the tape on and pair again.'
            : 'Type the reading, or plug it in and pair again.'}
        </Notice>
        <div>
          <Button onClick={() => void pairTape()}>Pair again</Button>
        </div>
      </div>
    )
  }
  const { cm, isSteady } = tape
  return (
    <section
      aria-label="Digital tape"
      className="flex flex-1 flex-wrap items-center gap-x-4 gap-y-2 rounded-2xl border border-line bg-sheet px-4 py-2"
    >
      <p className="numeral text-2xl">{cm === null ? '–' : formatLength(cm, units)}</p>
      <p className={`font-semibold ${isSteady ? 'text-calm' : 'text-caution'}`}>
        {cm === null ? 'waiting' : isSteady ? '■ steady' : '≈ moving'}
      </p>
      {tape.battery !== null && tape.battery <= lowBattery ? <p className="font-semibold text-caution">battery {tape.battery} %</p> : null}
      <Button look="next" disabled={cm === null || !isSteady} onClick={() => cm !== null && onTake(cm)}>
        Take it
      </Button>
      <Button look="quiet" onClick={unpairTape}>
        Let go
      </Button>
      {tape.panel ? (
        <a
          href={tape.panel}
          target="_blank"
          rel="noreferrer"
          className="min-h-11 content-center text-sm text-soft underline underline-offset-4"
        >
          squeeze the simulated tape
        </a>
      ) : null}
    </section>
  )
}
