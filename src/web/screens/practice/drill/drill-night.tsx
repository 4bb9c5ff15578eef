import { useState } from 'react'
import type { DrillState } from '#core/practice/drill/drill-state'
import { Button } from '../../../parts/button'
import { Dialog } from '../../../parts/dialog'
import { ChoiceRow } from '../../../parts/choice-row'
import { clockOf } from './clock-of-night'
import { DrillBed } from './drill-bed'
import { DrillRound } from './drill-round'
import { DrillWard } from './drill-ward'
import { paces, type DrillControl } from './use-drill'

/** Messages are shown so long, minutes of the night. */
const shownForMin = 60
const mostShown = 4

/** The night while it goes on: the clock, the ward, the bed in hand. */
export function DrillNight({ control }: { control: DrillControl }) {
  const { state } = control
  const [bedId, setBedId] = useState(1)
  const [isWriting, setWriting] = useState(false)
  const [isEnding, setEnding] = useState(false)
  const bed = state.beds.find((one) => one.body.bed === bedId) ?? state.beds[0]
  if (!bed) return null
  const act: DrillControl['act'] = (move) => {
    control.act(move)
    if (move.kind === 'look') setWriting(true)
  }
  return (
    <div className="night grid gap-2 rounded-3xl bg-paper px-3 pb-4 text-ink sm:px-5">
      <div className="sticky top-0 z-10 -mx-3 flex flex-wrap items-center gap-x-5 gap-y-2 rounded-t-3xl bg-paper px-3 py-2 sm:-mx-5 sm:px-5">
        <p>
          <span role="timer" aria-label="Clock of the night" className="numeral text-3xl font-bold">
            {clockOf(state, state.atMin)}
          </span>{' '}
          <span className="text-soft">until {clockOf(state, state.night.hours * 60)}</span>
        </p>
        <Button aria-pressed={control.isPaused} onClick={() => control.setPaused(!control.isPaused)}>
          {control.isPaused ? 'Go on' : 'Pause'}
        </Button>
        <ChoiceRow
          label="A minute passes in"
          isLabelHidden
          isSmall
          value={String(control.pace)}
          choices={paces.map((pace) => ({ value: String(pace), label: `${pace} s a minute` }))}
          onChange={(pace) => control.setPace(paces.find((one) => String(one) === pace) ?? 5)}
        />
        <Button
          look="quiet"
          onClick={() => {
            control.setPaused(true)
            setEnding(true)
          }}
        >
          End now and look back
        </Button>
      </div>
      {isEnding ? (
        <Dialog title="End the night here?" isOpen onClose={() => setEnding(false)}>
          <p className="mb-4">
            It is {clockOf(state, state.atMin)}. You see every bed as it was, and your score up to now; the rest of the night is not
            counted.
          </p>
          <div className="flex flex-wrap gap-3">
            <Button look="next" onClick={control.endNow}>
              End and look back
            </Button>
            <Button onClick={() => setEnding(false)}>Go on with the night</Button>
          </div>
        </Dialog>
      ) : null}
      <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-4 lg:grid-cols-[minmax(0,7fr)_minmax(0,5fr)]">
        <DrillWard state={state} chosen={bed.body.bed} onChoose={setBedId} />
        <div className="grid gap-3 lg:sticky lg:top-16">
          <DrillBed state={state} bed={bed} onAct={act} onWrite={() => setWriting(true)} />
          <Messages state={state} />
        </div>
      </div>
      {isWriting && bed.look ? (
        <DrillRound
          key={`${bed.body.bed} ${bed.look.atMin}`}
          state={state}
          bed={bed}
          onWrite={(analgesia, limbs) => {
            setWriting(false)
            control.act({ kind: 'record', bed: bed.body.bed, analgesia, limbs })
          }}
          onClose={() => setWriting(false)}
        />
      ) : null}
    </div>
  )
}

/** What rang, who came, and what checks found, lately. */
function Messages({ state }: { state: DrillState }) {
  const lately = state.log.filter(
    (entry) => (entry.kind === 'rings' || entry.kind === 'senior' || entry.kind === 'check') && state.atMin - entry.atMin <= shownForMin,
  )
  return (
    <div role="log" aria-label="Calls" className="grid gap-1">
      {lately
        .slice(-mostShown)
        .reverse()
        .map((entry) => (
          <p key={`${entry.bed} ${entry.atMin} ${entry.kind}`} className="rounded-xl border border-line bg-sheet px-4 py-2">
            <span className="numeral text-soft">{clockOf(state, entry.atMin)}</span> <strong>Bed {entry.bed}.</strong> {entry.text}
          </p>
        ))}
    </div>
  )
}
