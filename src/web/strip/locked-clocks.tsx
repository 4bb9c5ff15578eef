import { SoundSwitch } from './sound-switch'
import { useSoundUnlock } from '../parts/sound'
import { toneInk, toneWash } from '../parts/tone-shape'
import { ClockFace, HeardButton, clockTone } from './clock-face'
import { useClocks } from './use-clocks'

/** The running timers on a screen that is locked, or on which nobody has signed in: they go on, ring and can be heard, without names. */
export function LockedClocks() {
  useSoundUnlock()
  const { shown, now } = useClocks()
  if (shown.length === 0) return null
  return (
    <section aria-label="Running timers" className="flex flex-wrap items-center gap-2 px-2 py-1">
      {shown.map((timer) => {
        const tone = clockTone(timer, now)
        return (
          <span
            key={`${timer.caseId} ${timer.timer.id}`}
            className={`inline-flex min-h-11 items-center overflow-hidden rounded-xl border-[1.5px] font-semibold ${tone === 'note' ? 'border-line bg-sheet' : `${toneInk[tone]} ${toneWash[tone]}`}`}
          >
            <span className="inline-flex items-center gap-2 px-3">
              <ClockFace one={timer} nowMs={now} />
            </span>
            {timer.endsAt <= now ? <HeardButton one={timer} /> : null}
          </span>
        )
      })}
      <SoundSwitch />
    </section>
  )
}
