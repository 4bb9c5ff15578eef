import type { CaseSetup } from '#contract/records/case'
import type { Recorded, RunRecord, TimerKind, TimerRecord, WettedIn } from '#contract/records/run'

/** Clocks whose end is worth waiting for: ending one before it is said. */
const waitedFor: readonly TimerKind[] = ['hold', 'set', 'cure', 'cooling', 'wait']
/** A press is no early end. */
const promptMs = 5_000

/** The clocks of a run; of one that was waited for and ended before its time: after how long, and why. */
export function timerLines(run: RunRecord): readonly (Recorded & { readonly text: string })[] {
  return run.timers.map((timer) => {
    const early = endedEarly(run, timer)
    const text = `${timer.label}, ${formatMinutes(timer.minutes)}`
    return { at: timer.startedAt, by: early?.by ?? '', text: early ? `${text}: ended early, after ${early.after}${early.why}` : text }
  })
}

function endedEarly(run: RunRecord, timer: TimerRecord): { readonly after: string; readonly why: string; readonly by: string } | null {
  if (!timer.kind || !waitedFor.includes(timer.kind)) return null
  const startedMs = Date.parse(timer.startedAt)
  const step = run.steps.find((one) => one.stepId === timer.until && one.outcome !== 'undone' && Date.parse(one.at) >= startedMs)
  const endMs = Math.min(step ? Date.parse(step.at) : Infinity, timer.endedAt ? Date.parse(timer.endedAt) : Infinity)
  if (endMs > startedMs + timer.minutes * 60_000 - promptMs) return null
  const after = formatMinutes(Math.round((endMs - startedMs) / 6_000) / 10)
  return { after, why: step?.reason ? `: ${step.reason}` : '', by: step?.by ?? '' }
}

/** Water and room in which a run was wetted, in words; as it is set now where nothing was wetted yet. */
export function wettedWords(run: RunRecord, setup: CaseSetup): string {
  const wetted = [...new Set(run.timers.flatMap((timer) => (timer.wetIn ? [words(timer.wetIn)] : [])))]
  return wetted.length > 0 ? `${wetted.join('; then ')}, at wetting` : `${words(setup)}, as set`
}

function words({ waterC, roomC, backing }: WettedIn): string {
  return `${waterC} °C, ${roomC} °C, on ${backing === 'air' ? 'open air' : 'a pillow'}`
}

function formatMinutes(minutes: number): string {
  return minutes >= 120 ? `${(minutes / 60).toFixed(0)} h` : `${Number.isInteger(minutes) ? minutes : minutes.toFixed(1)} min`
}
