import { useEffect } from 'react'
import type { DrillScore } from '#core/practice/drill/score-drill'
import { Button, ButtonLink } from '../../../parts/button'
import { leastNightMin } from '#contract/api/practice'
import { sendDrill } from '../../../sync/practice-drills'
import { DrillTimeline } from './drill-timeline'
import { clockOf } from './clock-of-night'
import type { DrillControl } from './use-drill'
import { useDrillOutcome } from './use-drill-outcome'

/** The night looked back at: the score beside what two computed players made of it, and every bed, truth over what was written down. */
export function DrillSheet({ control }: { control: DrillControl }) {
  const { state, moves, isSent, endedAtMin } = control
  const { night, seed } = state
  const outcome = useDrillOutcome(night, seed, moves, endedAtMin)
  const { markSent } = control
  const isTooShort = endedAtMin !== undefined && endedAtMin < leastNightMin
  useEffect(() => {
    if (isSent || isTooShort) return
    markSent()
    void sendDrill({ night: night.id, seed, moves, ...(endedAtMin === undefined ? {} : { endedAtMin }) })
    // Once for a night: it is marked before it goes.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [isSent, isTooShort])
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-4">
      <section aria-label="Score" className="grid gap-4 rounded-3xl border border-line bg-sheet p-5 lg:grid-cols-2">
        <div className="grid content-start gap-3">
          <p className="flex flex-wrap items-baseline gap-x-3">
            <span className="numeral text-5xl font-bold">{outcome ? outcome.score.score.toFixed(1) : '…'}</span>
            <span className="text-soft">of 100, seed {seed}</span>
          </p>
          {endedAtMin === undefined ? null : (
            <p>
              You ended it at {clockOf(state, endedAtMin)}, after {(endedAtMin / 60).toFixed(1)} of {night.hours} h. All three are counted
              up to there.{isTooShort ? ' Less than an hour does not join your progress.' : ''}
            </p>
          )}
          {outcome ? <Parts score={outcome.score} /> : <p role="status">Playing the same night by the list, and knowing the truth…</p>}
          <div className="flex flex-wrap gap-2 print:hidden">
            <Button look="next" onClick={control.leave}>
              Another night
            </Button>
            <Button onClick={() => window.print()}>Print</Button>
            <ButtonLink to="/practice/progress">My progress</ButtonLink>
          </div>
        </div>
        {outcome ? (
          <dl className="grid content-start gap-2">
            <Bar name="You" score={outcome.score.score} isOwn />
            <Bar name="By the list alone" score={outcome.byList.score} />
            <Bar name="Knowing the truth" score={outcome.perfect.score} />
            <p className="text-sm text-soft">The hidden bodies are a model for teaching, not a measure of anybody’s limb.</p>
          </dl>
        ) : null}
      </section>
      <section aria-labelledby="beds" className="grid gap-3">
        <h2 id="beds" className="text-lg font-bold">
          Every bed, what was there over what was written down
        </h2>
        <p className="text-soft">
          The line is the pressure under the device, kPa, with its limit; above it what was done; below it what stood by what was written
          down, the higher the worse.
        </p>
        <div className="grid gap-3 lg:grid-cols-2 print:grid-cols-2">
          {state.beds.map((bed) => (
            <DrillTimeline key={bed.body.bed} state={state} bed={bed} />
          ))}
        </div>
      </section>
    </div>
  )
}

function Parts({ score }: { score: DrillScore }) {
  const parts = [
    ['Limb-hours above 4 kPa that could have been spared', score.avoidableH.toFixed(1), 12 * score.avoidableH],
    ['Urgent and not answered within 15 min', String(score.unanswered), 4 * score.unanswered],
    ['Needless openings', String(score.needless), 3 * score.needless],
    ['Rounds and checks later than their grace', String(score.late), score.late],
  ] as const
  return (
    <dl className="grid gap-1">
      {parts.map(([name, count, lost]) => (
        <div key={name} className="grid grid-cols-[minmax(0,1fr)_3rem_4rem] items-baseline gap-3">
          <dt>{name}</dt>
          <dd className="numeral text-right font-bold">{count}</dd>
          <dd className="numeral text-right text-soft">{lost > 0 ? `−${lost.toFixed(1)}` : '0'}</dd>
        </div>
      ))}
    </dl>
  )
}

function Bar({ name, score, isOwn = false }: { name: string; score: number; isOwn?: boolean }) {
  return (
    <div className="grid grid-cols-[9rem_minmax(0,1fr)_auto] items-center gap-3">
      <dt className={isOwn ? 'font-bold' : ''}>{name}</dt>
      <dd className="h-4 overflow-hidden rounded-full bg-well" aria-hidden>
        <div className={`h-full rounded-full ${isOwn ? 'bg-ink' : 'bg-soft'}`} style={{ width: `${score}%` }} />
      </dd>
      <dd className="numeral font-bold">{score.toFixed(1)}</dd>
    </div>
  )
}
