import { useCallback, useEffect, useRef, useState } from 'react'
import { startDrill, type Drill } from '#core/practice/drill/drill'
import type { DrillState, Move } from '#core/practice/drill/drill-state'
import type { Night } from '#core/practice/drill/nights'
import { defaultProtocol } from '#core/quantities/defaults'
import { useDraft } from '../../../sync/use-draft'

/** Seconds in which a minute of the night passes. */
export const paces = [10, 5, 2, 1] as const
export type Pace = (typeof paces)[number]

/** A night as it is kept on the device: what was done and how late it is, from which everything else follows. */
interface KeptNight {
  readonly seed: string
  readonly moves: readonly Move[]
  readonly atMin: number
  /** It was ended before the morning, at this minute. */
  readonly endedAtMin?: number
  /** The server has been given it. */
  readonly isSent?: true
}

export interface DrillControl {
  readonly state: DrillState
  readonly moves: readonly Move[]
  readonly pace: Pace
  readonly isPaused: boolean
  readonly isSent: boolean
  readonly setPace: (pace: Pace) => void
  readonly setPaused: (isPaused: boolean) => void
  /** Does something now. */
  readonly act: (
    move:
      | Omit<Extract<Move, { kind: 'look' }>, 'atMin'>
      | Omit<Extract<Move, { kind: 'record' }>, 'atMin'>
      | { readonly kind: Exclude<Move['kind'], 'look' | 'record'>; readonly bed: number },
  ) => void
  /** Where it was ended before the morning. */
  readonly endedAtMin: number | undefined
  /** Ends the night now. */
  readonly endNow: () => void
  readonly markSent: () => void
  /** Forgets the night. */
  readonly leave: () => void
}

export interface DrillStart {
  readonly isRead: boolean
  /** Null before it is begun. */
  readonly control: DrillControl | null
  readonly begin: (seed: string) => void
}

/** How often the minute of the night is kept, min. */
const keptEveryMin = 5

/** A night that is played: time passes by its pace while the page is looked at, and a reload goes on where it was. */
export function useDrill(night: Night): DrillStart {
  const [text, write, isRead] = useDraft(`practice/drill/${night.id}`)
  const drill = useRef<{ readonly text: string; readonly drill: Drill; kept: KeptNight } | null>(null)
  const [, setTurn] = useState(0)
  const [pace, setPace] = useState<Pace>(5)
  const [isPaused, setPaused] = useState(false)
  // What is read from the device is played again up to where it was; what is written here is that already.
  if (isRead && text !== '' && drill.current?.text !== text) {
    const kept = JSON.parse(text) as KeptNight
    const made = startDrill(night, kept.seed, defaultProtocol)
    for (const move of kept.moves) made.apply(move)
    made.advanceTo(kept.atMin)
    if (kept.endedAtMin !== undefined) made.end()
    drill.current = { text, drill: made, kept }
  }
  if (isRead && text === '') drill.current = null
  const keep = useCallback(
    (kept: KeptNight) => {
      const next = JSON.stringify(kept)
      if (drill.current) drill.current = { ...drill.current, text: next, kept }
      write(next)
    },
    [write],
  )
  const isRunning = drill.current !== null && !drill.current.drill.state().isOver && !isPaused
  useEffect(() => {
    if (!isRunning) return
    const timer = setInterval(() => {
      const current = drill.current
      if (!current || document.visibilityState === 'hidden') return
      const atMin = current.drill.state().atMin + 1
      current.drill.advanceTo(atMin)
      if (atMin % keptEveryMin === 0 || current.drill.state().isOver) keep({ ...current.kept, atMin })
      setTurn((turn) => turn + 1)
    }, pace * 1_000)
    return () => clearInterval(timer)
  }, [isRunning, keep, pace])
  const current = drill.current
  return {
    isRead,
    begin: (seed) => write(JSON.stringify({ seed, moves: [], atMin: 0 } satisfies KeptNight)),
    control: current && {
      state: current.drill.state(),
      moves: current.kept.moves,
      pace,
      isPaused,
      isSent: current.kept.isSent === true,
      setPace,
      setPaused,
      act(what) {
        const move = { ...what, atMin: current.drill.state().atMin } as Move
        current.drill.apply(move)
        keep({ ...current.kept, moves: [...current.kept.moves, move], atMin: current.drill.state().atMin })
        setTurn((turn) => turn + 1)
      },
      endedAtMin: current.kept.endedAtMin,
      endNow() {
        current.drill.end()
        const { atMin } = current.drill.state()
        keep({ ...current.kept, atMin, endedAtMin: atMin })
        setTurn((turn) => turn + 1)
      },
      markSent: () => keep({ ...current.kept, isSent: true }),
      leave: () => write(''),
    },
  }
}
