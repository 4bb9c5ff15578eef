import { Hand, Hourglass, ShieldAlert, Snowflake, Timer } from 'lucide-react'
import { useMemo, useState, type ComponentType } from 'react'
import { Link } from 'react-router'
import { initialsOf } from '#contract/records/episode'
import type { TimerKind } from '#contract/records/run'
import { useSoundUnlock } from '../parts/sound'
import { useAlarm } from './use-alarm'
import { useSpokenTimers } from './use-spoken-timers'
import { useNow } from '../sync/use-now'
import { useNarrow } from '../parts/use-narrow'
import { useWakeLock } from '../parts/use-wake-lock'
import { formatLeft } from '../parts/format-left'
import { useCaseStore } from '../sync/case-store'
import { SoundSwitch } from '../case/sound-switch'
import { endTimer, foldTimers, listTimers, timerKey, useTimers, type ShownTimer } from '../case/timer-store'

const icons: Readonly<Record<TimerKind, ComponentType<{ size: number; 'aria-hidden': true }>>> = {
  wetting: Hourglass,
  set: Timer,
  hold: Hand,
  cure: Timer,
  cooling: Snowflake,
  limit: ShieldAlert,
  wait: Hourglass,
}
const noTimers: readonly ShownTimer[] = []
const warnMs = 60_000
/** Minutes of work keep the screen awake, a day of curing does not. */
const awakeMs = 30 * 60_000

/** Every running timer of every case on this device, on every screen, in a line of its own; it sounds and vibrates when one ends. */
export function TimerDock({ isLocked = false }: { isLocked?: boolean }) {
  useSoundUnlock()
  const now = useNow(500)
  const byCase = useTimers((store) => store.byCase)
  const heldCase = useCaseStore((store) => store.caseId)
  const isNarrow = useNarrow()
  const isMuted = useTimers((store) => store.isMuted)
  const [isUnfolded, setUnfolded] = useState(false)
  const shown = listTimers(byCase, now, heldCase)
  const endedKeys = shown
    .filter((one) => one.endsAt <= now)
    .map((one) => `${one.caseId} ${one.timer.id} ${one.timer.startedAt} ${one.timer.kind ?? 'set'}`)
    .join('|')
  const ended = useMemo(
    () =>
      endedKeys
        .split('|')
        .filter(Boolean)
        .map((key) => ({ key, kind: key.slice(key.lastIndexOf(' ') + 1) as TimerKind })),
    [endedKeys],
  )
  useAlarm(ended, isMuted)
  useSpokenTimers(isMuted ? noTimers : shown, heldCase, now)
  useWakeLock(shown.some((one) => one.endsAt > now && one.endsAt - now < awakeMs))
  const elsewhere = useTimers((store) => store.elsewhere)
  const here = isLocked ? shown : shown.filter((one) => !elsewhere.includes(timerKey(one.caseId, one.timer)))
  if (here.length === 0) return null
  const { inSight, folded } = foldTimers(here, heldCase, now, isNarrow ? 1 : undefined)
  return (
    <section aria-label="Running timers" className="order-last min-w-0 flex-1 basis-full">
      <ul className="flex flex-wrap items-center gap-2 px-2 py-1 max-sm:gap-1 max-sm:px-0">
        {(isUnfolded ? here : inSight).map((one) => (
          <li key={`${one.caseId} ${one.timer.id}`}>
            <TimerChip one={one} now={now} isOther={one.caseId !== heldCase} isLocked={isLocked} />
          </li>
        ))}
        {folded.length > 0 ? (
          <li>
            <button
              type="button"
              aria-expanded={isUnfolded}
              onClick={() => setUnfolded(!isUnfolded)}
              className="inline-flex min-h-11 items-center gap-1.5 rounded-xl px-3 font-semibold underline underline-offset-4 max-sm:px-1.5 max-sm:text-sm"
            >
              {isUnfolded ? (
                'Fewer timers'
              ) : (
                <>
                  {folded.length} more
                  <span className="max-sm:sr-only">, next {formatLeft(Math.min(...folded.map((one) => one.endsAt)) - now)}</span>
                </>
              )}
            </button>
          </li>
        ) : null}
        <li>
          <SoundSwitch />
        </li>
      </ul>
    </section>
  )
}

function TimerChip({ one, now, isOther, isLocked }: { one: ShownTimer; now: number; isOther: boolean; isLocked: boolean }) {
  const left = one.endsAt - now
  const kind = one.timer.kind ?? 'set'
  const Icon = icons[kind]
  const isUrgentKind = kind === 'limit' || kind === 'set'
  const tone =
    left <= 0
      ? isUrgentKind
        ? 'border-stop bg-stop-wash text-stop'
        : 'border-calm bg-calm-wash text-calm'
      : left < warnMs && isUrgentKind
        ? 'border-caution bg-caution-wash text-caution'
        : 'border-line bg-sheet'
  const words = (
    <>
      <Icon size={18} aria-hidden />
      <span>
        <span className={isOther ? 'font-bold' : 'font-normal text-soft'}>
          {isOther ? initialsOf(one.patient) || 'another patient' : 'this one'}:
        </span>{' '}
        {one.timer.label}
      </span>
      <span className="numeral text-lg" role="timer" aria-label={one.timer.label}>
        {formatLeft(left)}
      </span>
    </>
  )
  return (
    <span className={`inline-flex min-h-11 items-center overflow-hidden rounded-xl border-[1.5px] font-semibold ${tone}`}>
      {isLocked ? (
        <span className="inline-flex items-center gap-2 px-3">{words}</span>
      ) : (
        <Link to={`/case/${one.caseId}/apply`} className="inline-flex min-h-11 items-center gap-2 px-3">
          {words}
        </Link>
      )}
      {left <= 0 ? (
        <button
          type="button"
          onClick={() => endTimer(one)}
          aria-label={`Heard: ${one.timer.label}`}
          className="min-h-11 border-l-[1.5px] border-current px-3 font-bold"
        >
          Heard
        </button>
      ) : null}
    </span>
  )
}
