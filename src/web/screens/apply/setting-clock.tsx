import { useEffect, useLayoutEffect, useRef } from 'react'
import { timersOf } from '#core/runs/step-work'
import { wetNow, type WetPart } from '#core/runs/wet-now'
import type { Step } from '#core/model/step'
import { runningHold } from '#ward/case/run-clocks'
import { liveTimers, type RunRecord, type TimerRecord } from '#contract/records/run'
import { SoundSwitch } from '../../strip/sound-switch'
import { endTimer, showElsewhere, timerKey, type ShownTimer } from '../../strip/timer-store'
import { wetFill, wetName, wetWords } from '../../lane/wet-look'
import { formatLeft } from '../../parts/format-left'
import { useNarrow } from '../../parts/use-narrow'
import { Tape } from '../../parts/tape'
import { useNow } from '../../sync/use-now'

const pressingMs = 60_000
/** More than these under the first go over more than one line. */
const mostInLine = 2

/** One line of the clock. */
type ClockLine = Pick<WetPart, 'id' | 'label' | 'leftMs'> & {
  /** Of its whole time, 1 to 0. */
  readonly share: number
  /** Null for what does not set: a hold, a wait. */
  readonly state: WetPart['state'] | null
}

/**
 * The one clock of what sets: the most pressing part in figures of 48 px over a tape that is drawn out as its time goes, the others in a line
 * under it. Where something is held until it is hard, that hold comes first. Its place is kept from the first step on, so that nothing moves
 * under wet hands when it starts; while it is in sight the row on top does not say the same again.
 */
export function SettingClock({ caseId, run, steps, step }: { caseId: string; run: RunRecord; steps: readonly Step[]; step: Step | null }) {
  const now = useNow(500)
  const isNarrow = useNarrow()
  const setting = steps.flatMap(timersOf).filter((timer) => timer.kind === 'set')
  const live = liveTimers(run, now)
  const held = step ? runningHold(run, step, now) : null
  const waits = live.filter((timer) => timer.kind !== 'set' && timer.kind !== 'limit' && timer !== held).map((timer) => waitOf(timer, now))
  const lines: readonly ClockLine[] =
    setting.length === 0
      ? []
      : [...(held ? [waitOf(held, now)] : []), ...wetNow(steps, live, now), ...waits.toSorted((a, b) => a.leftMs - b.leftMs)]
  const shown = live
    .filter((timer) => lines.some((line) => line.id === timer.id))
    .map((timer) => timerKey(caseId, timer))
    .join('|')
  useEffect(() => showElsewhere(shown.split('|')), [shown])
  const section = useRef<HTMLElement>(null)
  useStuckHeight(section, setting.length > 0)
  if (setting.length === 0) return null
  const [first, ...others] = lines
  const isOnePart = new Set(setting.map((timer) => timer.id)).size === 1
  return (
    <section
      ref={section}
      aria-label="Setting clock"
      className="grid grid-cols-[minmax(0,1fr)] content-start border-line bg-paper px-3 py-1 max-lg:sticky max-lg:top-(--stuck-row,0px) max-lg:z-20 max-lg:border-b lg:rounded-3xl lg:border lg:bg-sheet lg:px-4 lg:py-3"
    >
      <ul aria-label="Workable now" className="grid grid-cols-[minmax(0,1fr)] gap-0.5">
        {first ? (
          <li className="grid gap-0.5">
            <div className="flex min-h-[50px] items-center justify-between gap-3 font-bold">
              <span className="min-w-0 leading-tight">{wordsOf(first, isOnePart)}</span>
              <span
                role="timer"
                aria-label={first.label}
                className={`numeral ml-auto text-[48px] leading-none whitespace-nowrap ${first.leftMs < pressingMs ? 'text-caution' : ''}`}
              >
                {first.leftMs < 0 ? '0:00' : formatLeft(first.leftMs)}
              </span>
              {first.leftMs < 0 ? <Heard timer={shownTimer(caseId, run, first)} /> : null}
            </div>
            <Tape
              share={1 - first.share}
              ticks={Math.max(1, Math.round(minutesOf(run, first.id)))}
              fill={first.state === null ? 'var(--citrus)' : wetFill(first.share)}
            />
          </li>
        ) : (
          <li className="grid gap-0.5">
            <div className="flex min-h-[50px] items-center justify-between gap-3 text-soft">
              <span className="min-w-0 leading-tight">Nothing is wet yet</span>
              <em className="numeral ml-auto text-2xl max-sm:text-[1.05rem]">≈ {setting[0]?.minutes} min once it is</em>
            </div>
            <Tape share={0} ticks={Math.max(1, Math.round(setting[0]?.minutes ?? 1))} />
          </li>
        )}
        <li className="flex min-h-[40px] items-center justify-between gap-2">
          <ul className={`flex min-w-0 gap-x-4 gap-y-1 ${others.length > mostInLine ? 'flex-wrap' : ''}`}>
            {others.map((line) => (
              <li key={line.id} className="flex min-w-0 items-center gap-2 font-semibold">
                {line.state ? (
                  <span
                    aria-hidden
                    className="size-3.5 shrink-0 rounded-full border border-ink"
                    style={{ background: wetFill(line.share) }}
                  />
                ) : null}
                {/* Two low lines on a phone are no higher than the sound beside them. */}
                <span className="min-w-0 leading-[1.15] max-sm:text-[0.9rem]">{shortWordsOf(line, isOnePart, isNarrow)}</span>
                <span role="timer" aria-label={line.label} className="numeral shrink-0 font-bold">
                  {line.leftMs < 0 ? '' : formatLeft(line.leftMs)}
                </span>
                {line.leftMs < 0 ? <Heard timer={shownTimer(caseId, run, line)} /> : null}
              </li>
            ))}
          </ul>
          <SoundSwitch />
        </li>
      </ul>
    </section>
  )
}

/** Tells the page how much of its top the clock covers where it sticks there. */
function useStuckHeight(section: { readonly current: HTMLElement | null }, isThere: boolean): void {
  useLayoutEffect(() => {
    const { style } = document.documentElement
    const { current } = section
    if (!isThere || !current) return
    const tell = (): void => {
      const isStuck = getComputedStyle(current).position === 'sticky'
      style.setProperty('--stuck-clock', isStuck ? `${current.offsetHeight}px` : '0px')
    }
    const watch = new ResizeObserver(tell)
    watch.observe(current)
    tell()
    return () => {
      watch.disconnect()
      style.removeProperty('--stuck-clock')
    }
  }, [section, isThere])
}

function Heard({ timer }: { timer: ShownTimer | null }) {
  if (!timer) return null
  return (
    <button
      type="button"
      onClick={() => endTimer(timer)}
      aria-label={`Heard: ${timer.timer.label}`}
      className="min-h-11 rounded-xl border-[1.5px] border-stop bg-stop-wash px-3 font-bold text-stop"
    >
      Heard
    </button>
  )
}

function shownTimer(caseId: string, run: RunRecord, { id }: ClockLine): ShownTimer | null {
  const timer = run.timers.find((one) => one.id === id)
  return timer
    ? { caseId, runId: run.id, patient: '', place: '', timer, endsAt: Date.parse(timer.startedAt) + timer.minutes * 60_000 }
    : null
}

function minutesOf(run: RunRecord, id: string): number {
  return run.timers.find((timer) => timer.id === id)?.minutes ?? 1
}

/** A hold or a wait as a line of the clock. */
function waitOf({ id, label, startedAt, minutes }: TimerRecord, nowMs: number): ClockLine {
  const wholeMs = minutes * 60_000
  const leftMs = Date.parse(startedAt) + wholeMs - nowMs
  return { id, label, leftMs, share: Math.max(0, leftMs / wholeMs), state: null }
}

/** @param isOnePart nothing else sets in this run, so that it needs no name */
function wordsOf({ label, leftMs, state }: ClockLine, isOnePart: boolean): string {
  if (state === null) return label
  if (isOnePart) return leftMs < 0 ? 'Set, by the clock' : 'Sets in'
  return `${wetName(label)}: ${wetWords[state]}`
}

/** On a phone what is workable needs no word beside its lime dot: a part that is past that says so. */
function shortWordsOf(line: ClockLine, isOnePart: boolean, isNarrow: boolean): string {
  return isNarrow && line.state === 'workable' && !isOnePart ? wetName(line.label) : wordsOf(line, isOnePart)
}
