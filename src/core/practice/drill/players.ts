import type { LimbFindings } from '../../model/observation'
import { readDefaults, type Protocol } from '../../quantities/defaults'
import { nextRound } from '../../rounds/live-rounds'
import { taskMinuteDefaults } from '../../rounds/task-minutes'
import { checksOf } from './bed-checks'
import { openMinutes, startDrill, walkMinutes, type Drill } from './drill'
import type { Bed, DrillState, Move } from './drill-state'
import { roundsOf, standBed } from './judge-bed'
import type { Night } from './nights'

/** Who plays a night by themselves: never looking, by the list alone, and knowing the truth. */
export const players = ['never', 'by-list', 'perfect'] as const
export type Player = (typeof players)[number]

/** Who knows the truth begins to open so long before the limit would be passed. */
const aheadMin = 12
/** Written as it was shown; pain relief is not asked. */
const asShown = (limbs: readonly LimbFindings[]) => ({ kind: 'record', analgesia: false, limbs }) as const

/** The next thing that is due in a bed: a round, or a check. */
interface Due {
  readonly bed: number
  readonly what: 'round' | 'check'
  readonly dueMin: number
  readonly endsMin: number
}

/** Plays a night to its end, or to where it is ended. @returns how it ended, and the moves that were made */
export function playNight(
  player: Player,
  night: Night,
  seed: string,
  protocol: Protocol,
  untilMin = night.hours * 60,
): { readonly end: DrillState; readonly moves: readonly Move[] } {
  const drill = startDrill(night, seed, protocol, untilMin)
  const endMin = Math.min(night.hours * 60, untilMin)
  const moves: Move[] = []
  const make = (move: Move): void => {
    moves.push(move)
    drill.apply(move)
  }
  if (player === 'never') drill.advanceTo(endMin)
  else playOn(player, drill, make, endMin, protocol)
  return { end: drill.state(), moves }
}

function playOn(player: Exclude<Player, 'never'>, drill: Drill, make: (move: Move) => void, endMin: number, protocol: Protocol): void {
  const minutes = readDefaults(taskMinuteDefaults, protocol)
  const dues = new Map<number, { readonly of: Bed['record']; readonly dues: readonly Due[] }>()
  /** What will be passed when, as long as nobody does anything there. */
  const passes = new Map<number, number | null>()
  const opened = new Set<number>()
  for (let state = drill.state(); !state.isOver; state = drill.state()) {
    const { atMin, beds, where, night } = state
    if (player === 'perfect') {
      const next = beds.find((bed) => {
        const id = bed.body.bed
        if (opened.has(id) || bed.state.isOpen) return false
        if (!passes.has(id)) passes.set(id, drill.limitPassedAt(id))
        const at = passes.get(id) ?? null
        return at !== null && at - atMin <= walkMinutes(where, id) + openMinutes(bed.body, minutes.opening) + aheadMin
      })
      if (next) {
        opened.add(next.body.bed)
        make({ kind: 'open', bed: next.body.bed, atMin })
        continue
      }
    }
    const open = beds.flatMap((bed): readonly Due[] => {
      const kept = dues.get(bed.body.bed)
      if (kept?.of === bed.record) return kept.dues
      const own = duesOf(bed, night, protocol)
      dues.set(bed.body.bed, { of: bed.record, dues: own })
      return own
    })
    const [next] = [...open].sort((a, b) => a.endsMin - b.endsMin || a.bed - b.bed)
    const [soonest] = [...open].sort((a, b) => a.dueMin - b.dueMin)
    if (!next || !soonest || Math.min(next.dueMin, soonest.dueMin) > atMin) {
      drill.advanceTo(Math.min(endMin, Math.max(atMin + 1, soonest?.dueMin ?? endMin)))
      continue
    }
    const ready = next.dueMin <= atMin ? next : soonest
    if (ready.what === 'round') round(drill, make, ready.bed)
    else check(drill, make, ready.bed)
  }
}

/** Checks ring, skin and weights of a bed, and sets right a cord that has slipped. */
function check(drill: Drill, make: (move: Move) => void, bed: number): void {
  make({ kind: 'check', bed, atMin: drill.state().atMin })
  if (drill.state().beds[bed - 1]?.state.isSlipped) make({ kind: 'cord', bed, atMin: drill.state().atMin })
}

/** Looks at a bed, writes down what was shown, and does what it asks for. */
function round(drill: Drill, make: (move: Move) => void, bed: number): void {
  make({ kind: 'look', bed, wakes: true, atMin: drill.state().atMin })
  const looked = drill.state()
  const found = looked.beds[bed - 1]
  if (!found?.look || looked.isOver) return
  const { look } = found
  make({ ...asShown(look.limbs), bed, atMin: looked.atMin })
  if (found.state.isHanging) make({ kind: 'raise', bed, atMin: drill.state().atMin })
  if (found.state.isSlipped) make({ kind: 'cord', bed, atMin: drill.state().atMin })
  const after = drill.state()
  const judged = after.beds[bed - 1]
  const level = judged && standBed(after.night, judged.body, judged.record).verdicts.at(-1)?.findings
  if (!judged || !level?.some((finding) => finding.level === 'urgent')) return
  if (!judged.state.isOpen) make({ kind: 'open', bed, atMin: after.atMin })
  const isCalled = judged.record.calls.some((call) => after.atMin - call.atMin < 60)
  if (!isCalled) make({ kind: 'call', bed, atMin: drill.state().atMin })
}

function duesOf({ body, record }: Bed, night: Night, protocol: Protocol): readonly Due[] {
  const round = nextRound(roundsOf(night, body, record, protocol))
  const minuteOf = (ms: number): number => (ms - Date.parse(night.beginsAt)) / 60_000
  return [
    ...(round
      ? [{ bed: body.bed, what: 'round' as const, dueMin: minuteOf(round.dueAt), endsMin: minuteOf(round.dueAt) + round.graceMin }]
      : []),
    ...checksOf(night, body, record).map(({ dueMin, graceMin }) => ({
      bed: body.bed,
      what: 'check' as const,
      dueMin,
      endsMin: dueMin + graceMin,
    })),
  ]
}
