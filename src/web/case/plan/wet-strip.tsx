import { useMemo } from 'react'
import { wetTimeline, type WetTimeline } from '#core/figures/crew/wet-timeline'
import type { CrewInput } from '#core/model/crew-input'
import { stepName } from '#core/runs/step-name'
import { useNarrow } from '../../parts/use-narrow'
import { cutToWidth, textWidthPx } from '../../lane/kit/text-width'

const rowHeight = 17
const curveHeight = 62
const letterPx = 13

/** Every wet step on a time line over the setting clock, with the spread of both. */
export function WetStrip({ input, people }: { input: CrewInput; people: number }) {
  const timeline = useMemo(() => wetTimeline(input, people), [input, people])
  return (
    <section aria-labelledby="wet-strip" className="grid grid-cols-[minmax(0,1fr)] gap-2 rounded-3xl border border-line bg-sheet p-4">
      <h2 id="wet-strip" className="font-bold">
        While it is wet, with {people === 1 ? '1 person' : `${people} people`}
      </h2>
      {timeline ? (
        <Strip timeline={timeline} moulding={input.mouldingStep} />
      ) : (
        <p className="font-semibold text-caution">So few cannot staff every hold: nothing to draw. Add hands or let gravity hold.</p>
      )}
    </section>
  )
}

function Strip({ timeline, moulding }: { timeline: WetTimeline; moulding: string }) {
  const { bars, setMin, setSdMin, setCurve, endMin } = timeline
  const width = useNarrow() ? 350 : 640
  const nameWidth = Math.min(width * 0.34, Math.max(76, ...bars.map((bar) => textWidthPx(stepName(bar), letterPx))))
  const labelWidth = nameWidth + 8
  const from = Math.min(0, ...bars.map((bar) => bar.startMin))
  const x = (minute: number): number => labelWidth + ((minute - from) / (endMin - from)) * (width - labelWidth - 8)
  const bottom = bars.length * rowHeight + 6
  const y = (share: number): number => bottom + 4 + curveHeight * (1 - share)
  const height = bottom + curveHeight + 26
  const mould = bars.find((bar) => bar.id === moulding)
  const every = endMin > 24 ? 5 : endMin > 12 ? 2 : 1
  const words = `Wetting ends at 0; moulding ends at about ${mould?.endMin.toFixed(1) ?? '–'} min, at the latest ${mould?.lateEndMin.toFixed(1) ?? '–'} in nine of ten; it sets at ${setMin.toFixed(1)} min, give or take ${setSdMin.toFixed(1)}`
  const curve = setCurve.map(([at, share], index) => `${index === 0 ? 'M' : 'L'}${x(at).toFixed(1)} ${y(share).toFixed(1)}`).join(' ')
  return (
    <>
      <svg viewBox={`0 0 ${width} ${height}`} role="img" aria-label={words} className="w-full select-none text-[13px]">
        <rect
          x={x(Math.max(0, setMin - setSdMin))}
          y="0"
          width={Math.max(0, x(setMin + setSdMin) - x(Math.max(0, setMin - setSdMin)))}
          height={bottom + curveHeight + 4}
          fill="var(--caution-wash)"
        />
        {Array.from({ length: Math.floor(endMin / every) + 1 }, (_, index) => index * every).map((minute) => (
          <g key={minute}>
            <path d={`M${x(minute)} 0 V${bottom + curveHeight + 4}`} stroke="var(--line)" strokeWidth="0.7" />
            <text x={x(minute)} y={height - 8} textAnchor="middle" className="fill-soft">
              {minute}
            </text>
          </g>
        ))}
        <path d={`M${x(0)} 0 V${bottom + curveHeight + 4}`} stroke="var(--ink)" strokeWidth="1.2" />
        {bars.map((bar, index) => {
          const dueMin = bar.dueMin
          const isLate = bar.lateEndMin > (dueMin ?? setMin)
          const top = index * rowHeight + 3
          return (
            <g key={bar.id}>
              <text x={labelWidth - 6} y={top + 10} textAnchor="end" className="fill-ink">
                {cutToWidth(stepName(bar), letterPx, nameWidth)}
              </text>
              <path
                d={`M${x(bar.earlyEndMin)} ${top + 5.5} H${x(bar.lateEndMin)}`}
                stroke={isLate ? 'var(--caution)' : 'var(--soft)'}
                strokeWidth="1.6"
                strokeDasharray="2.5 2"
              />
              {dueMin === null || dueMin > endMin ? null : (
                <path d={`M${x(dueMin)} ${top - 2} V${top + rowHeight - 4}`} stroke="var(--ink)" strokeWidth="1.4">
                  <title>{`${stepName(bar)}: has to end by ${dueMin.toFixed(1)} min`}</title>
                </path>
              )}
              <rect
                x={x(bar.startMin)}
                y={top}
                width={Math.max(2, x(bar.endMin) - x(bar.startMin))}
                height={rowHeight - 6}
                rx="3"
                fill={bar.id === moulding ? 'var(--citrus)' : 'var(--slab)'}
                stroke={bar.id === moulding ? 'var(--ink)' : 'var(--slab-edge)'}
                strokeWidth="0.9"
              />
            </g>
          )
        })}
        <path d={curve} fill="none" stroke="var(--caution)" strokeWidth="2.2" />
        <text x={labelWidth - 6} y={y(0.5) - 4} textAnchor="end" className="fill-ink font-semibold">
          share that
        </text>
        <text x={labelWidth - 6} y={y(0.5) + 10} textAnchor="end" className="fill-ink font-semibold">
          has set
        </text>
        <text x={width - 8} y={height - 8} textAnchor="end" className="fill-soft">
          min
        </text>
      </svg>
      <p className="text-sm text-soft">
        0 is the end of wetting. Bars are likely times, the dashes their spread (eight of ten); the upright strokes by when each has to end,
        its own part still soft; the shaded band is the doubt of the setting time. In this estimate moulding ends{' '}
        {mould ? `${(setMin - mould.endMin).toFixed(1)} min ${mould.endMin <= setMin ? 'before' : 'after'}` : 'near'} it sets.
      </p>
    </>
  )
}
