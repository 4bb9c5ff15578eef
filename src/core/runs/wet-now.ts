import type { Step, StepTimer } from '../model/step'

/** What a wetted part still lets you do: 'setting' is the last quarter of its time. */
export type WetState = 'workable' | 'setting' | 'set'

/** A part that was wetted, by its own clock. */
export interface WetPart {
  /** The timer that it goes by. */
  readonly id: string
  readonly label: string
  /** Bands of the drawing that it covers. */
  readonly bands: readonly string[]
  /** Milliseconds left; below 0 once it has set, in this estimate. */
  readonly leftMs: number
  /** Of its whole time, 1 to 0. */
  readonly share: number
  readonly state: WetState
}

interface RunningTimer {
  readonly id: string
  readonly label: string
  readonly kind?: StepTimer['kind'] | undefined
  readonly startedAt: string
  readonly minutes: number
}

const lastShare = 0.25

/**
 * What is workable now, part by part, the most pressing first. Where a later wetting covers a band again, its clock speaks for that band.
 * @param steps of the plan: the step that starts a timer says where its part lies
 * @param timers that run, as they were started
 * @param nowMs milliseconds since 1970
 */
export function wetNow(steps: readonly Step[], timers: readonly RunningTimer[], nowMs: number): readonly WetPart[] {
  const started = timers
    .filter((timer) => timer.kind === 'set')
    .map((timer) => ({ timer, bands: bandsOf(steps, timer.id) }))
    .sort((a, b) => Date.parse(b.timer.startedAt) - Date.parse(a.timer.startedAt))
  const taken = new Set<string>()
  return started
    .map(({ timer, bands }) => {
      const own = bands.filter((band) => !taken.has(band))
      own.forEach((band) => taken.add(band))
      const wholeMs = timer.minutes * 60_000
      const leftMs = Date.parse(timer.startedAt) + wholeMs - nowMs
      const share = Math.min(1, Math.max(0, leftMs / wholeMs))
      return { id: timer.id, label: timer.label, bands: own, leftMs, share, state: stateOf(share) }
    })
    .sort((a, b) => a.leftMs - b.leftMs)
}

function stateOf(share: number): WetState {
  return share <= 0 ? 'set' : share <= lastShare ? 'setting' : 'workable'
}

/** Where the part of a timer lies; a strip wetted beside the patient is the slab. */
function bandsOf(steps: readonly Step[], timer: string): readonly string[] {
  const step = steps.find((one) => [one.timer, ...(one.moreTimers ?? [])].some((own) => own?.id === timer))
  return step?.where && step.where.length > 0 ? step.where : ['slab']
}
