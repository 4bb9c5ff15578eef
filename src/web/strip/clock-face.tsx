import { Hand, Hourglass, ShieldAlert, Snowflake, Timer } from 'lucide-react'
import type { ComponentType } from 'react'
import { initialsOf } from '#contract/records/episode'
import type { TimerKind } from '#contract/records/run'
import { endTimer, type ShownTimer } from './timer-store'
import { formatLeft } from '../parts/format-left'
import type { Tone } from '../parts/tone-shape'

const icons: Readonly<Record<TimerKind, ComponentType<{ size: number; className: string; 'aria-hidden': true }>>> = {
  wetting: Hourglass,
  set: Timer,
  hold: Hand,
  cure: Timer,
  cooling: Snowflake,
  limit: ShieldAlert,
  wait: Hourglass,
}
const warnMs = 60_000

/** How pressing a clock is: what must not run out is loud at its end, and a minute before. */
export function clockTone({ timer, endsAt }: ShownTimer, nowMs: number): Tone {
  const leftMs = endsAt - nowMs
  const isGrave = timer.kind === 'limit' || (timer.kind ?? 'set') === 'set'
  if (leftMs <= 0) return isGrave ? 'stop' : 'calm'
  return leftMs < warnMs && isGrave ? 'caution' : 'note'
}

/** Whose clock it is where it is not of the case in hand: initials and bed, for a glass that others read too. */
export function whoseClock({ patient, place }: ShownTimer): string {
  return [initialsOf(patient) || 'another patient', place].filter(Boolean).join(', ')
}

/**
 * A clock in words and figures.
 * @param whose said before it where it is another patient's
 * @param isLabelSpoken its name is for those who listen: there is no room for it
 */
export function ClockFace({
  one,
  nowMs,
  whose,
  isLabelSpoken = false,
}: {
  one: ShownTimer
  nowMs: number
  whose?: string
  isLabelSpoken?: boolean
}) {
  const Icon = icons[one.timer.kind ?? 'set']
  return (
    <>
      <Icon size={18} className="shrink-0" aria-hidden />
      <span className={isLabelSpoken ? 'sr-only' : 'min-w-0 leading-[1.12]'}>
        {whose ? <strong>{whose}: </strong> : null}
        {one.timer.label}
      </span>
      <span className="numeral shrink-0" role="timer" aria-label={one.timer.label}>
        {formatLeft(one.endsAt - nowMs)}
      </span>
    </>
  )
}

/** Says that a clock which ended was heard. */
export function HeardButton({ one }: { one: ShownTimer }) {
  return (
    <button
      type="button"
      onClick={() => endTimer(one)}
      aria-label={`Heard: ${one.timer.label}`}
      className="reach min-h-[39px] shrink-0 self-stretch border-x-[1.5px] border-current px-4 font-bold"
    >
      Heard
    </button>
  )
}
