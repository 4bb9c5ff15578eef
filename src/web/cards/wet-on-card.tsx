import { wetTimeline } from '#core/figures/crew/wet-timeline'
import type { CrewInput } from '#core/model/crew-input'

const [widthPx, heightPx] = [108, 60]

/** What is done while it is wet as a small picture: one bar a step, the doubt of the setting time behind them. */
export function WetOnCard({ input, people }: { input: CrewInput; people: number }) {
  const timeline = wetTimeline(input, people)
  if (!timeline) return null
  const { bars, setMin, setSdMin, endMin } = timeline
  const fromMin = Math.min(0, ...bars.map((bar) => bar.startMin))
  const x = (minute: number): number => 2 + ((minute - fromMin) / (endMin - fromMin)) * (widthPx - 4)
  const rowPx = (heightPx - 4) / bars.length
  return (
    <svg viewBox={`0 0 ${widthPx} ${heightPx}`} className="w-full">
      <path
        d={`M${x(Math.max(0, setMin - setSdMin)).toFixed(1)} 0 H${x(setMin + setSdMin).toFixed(1)} V${heightPx} H${x(Math.max(0, setMin - setSdMin)).toFixed(1)} Z`}
        fill="var(--caution-wash)"
      />
      {bars.map((bar, index) => (
        <rect
          key={bar.id}
          x={x(bar.startMin).toFixed(1)}
          y={(2 + index * rowPx + rowPx * 0.15).toFixed(1)}
          width={Math.max(2, x(bar.endMin) - x(bar.startMin)).toFixed(1)}
          height={(rowPx * 0.7).toFixed(1)}
          rx="1.5"
          fill={bar.id === input.mouldingStep ? 'var(--citrus)' : 'var(--slab)'}
          stroke="var(--slab-edge)"
          strokeWidth="0.7"
        />
      ))}
    </svg>
  )
}
