import { memo, useState } from 'react'
import { sweepPoints, type SweepPoint, type SweepResult } from '#core/figures/heat/heat-sweep'
import { sweepSize } from '../../workers/use-heat-sweep'

const allPoints = sweepPoints(sweepSize.water, sweepSize.layers)
const cell = { width: 36, height: 21 }
const left = 44
const top = 4

/** What a point of the map means: never by tone alone, a sign stands in the cell. */
function levelOf(result: SweepResult, limitC: number): { fill: string; text: string; sign: string; words: string } {
  if (result.omega >= 0.53) return { fill: 'var(--stop)', text: 'var(--paper)', sign: '◆', words: 'burns' }
  if (result.peakC >= limitC) return { fill: 'var(--caution-wash)', text: 'var(--caution)', sign: '▲', words: 'above the limit' }
  return { fill: 'var(--calm-wash)', text: 'var(--ink)', sign: '', words: 'below the limit' }
}

/** Warmest skin by water and layers, with the point of this plan marked; a tap tells a point in words. */
export function HeatMap({
  results,
  waterC,
  layers,
  limitC,
}: {
  results: readonly SweepResult[]
  waterC: number
  layers: number
  limitC: number
}) {
  const [picked, setPicked] = useState<SweepPoint | null>(null)
  const points = allPoints
  const waters = [...new Set(points.map((point) => point.waterC))]
  const rows = [...new Set(points.map((point) => point.layers))]
  const known = new Map(results.map((result) => [`${result.waterC} ${result.layers}`, result]))
  const x = (water: number): number => left + ((water - 15) / 30) * (waters.length - 1) * cell.width
  const nearest = (values: readonly number[], value: number): number =>
    values.reduce((best, one) => (Math.abs(one - value) < Math.abs(best - value) ? one : best), values[0] ?? value)
  const y = (row: number): number => top + row * cell.height
  const width = left + waters.length * cell.width + 4
  const height = top + rows.length * cell.height + 34
  const shown = picked ? known.get(`${picked.waterC} ${picked.layers}`) : undefined
  const onArrow = (event: React.KeyboardEvent): void => {
    const move = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key]
    if (!move) return
    event.preventDefault()
    const from = picked ?? { waterC: nearest(waters, waterC), layers: nearest(rows, layers) }
    const step = (values: readonly number[], value: number, by: number): number =>
      values[Math.max(0, Math.min(values.length - 1, values.indexOf(value) + by))] ?? value
    setPicked({ waterC: step(waters, from.waterC, move[0] ?? 0), layers: step(rows, from.layers, move[1] ?? 0) })
  }
  const isOnMap = waterC >= 15 && waterC <= 45 && layers >= 4 && layers <= 30
  return (
    <figure>
      <div
        role="group"
        tabIndex={0}
        aria-label="Heat map: arrow keys go from field to field"
        onKeyDown={onArrow}
        className="overflow-x-auto"
      >
        <svg
          viewBox={`0 0 ${width} ${height}`}
          role="img"
          aria-label={`Warmest skin by water and layers; this plan: ${waterC} °C water, ${layers} layers`}
          className="w-full min-w-[36rem] select-none text-[13px]"
        >
          {points.map((point) => (
            <Field
              key={`${point.waterC} ${point.layers}`}
              point={point}
              result={known.get(`${point.waterC} ${point.layers}`)}
              x={x(point.waterC)}
              y={y(rows.indexOf(point.layers))}
              limitC={limitC}
              onPick={setPicked}
            />
          ))}
          {rows.map((row, index) => (
            <text key={row} x={left - 6} y={y(index) + 14} textAnchor="end" className="fill-soft">
              {row}
            </text>
          ))}
          {waters.map((water, index) =>
            index % 2 === 0 ? (
              <text key={water} x={x(water) + cell.width / 2} y={y(rows.length) + 13} textAnchor="middle" className="fill-soft">
                {water}
              </text>
            ) : null,
          )}
          <text x={left} y={height - 6} className="fill-soft">
            water, °C
          </text>
          <text x={10} y={top + 110} transform={`rotate(-90 10 ${top + 110})`} textAnchor="middle" className="fill-soft">
            layers
          </text>
          {isOnMap ? (
            <rect
              x={x(nearest(waters, waterC)) - 1}
              y={y(rows.indexOf(nearest(rows, layers))) - 1}
              width={cell.width + 1}
              height={cell.height + 1}
              rx="4"
              fill="none"
              stroke="var(--ink)"
              strokeWidth="3"
            />
          ) : null}
        </svg>
      </div>
      <figcaption className="text-sm text-soft" aria-live="polite">
        {shown
          ? `${shown.waterC} °C water, ${shown.layers} layers: skin about ${shown.peakC.toFixed(1)} °C at its warmest, ${levelOf(shown, limitC).words}.`
          : `Warmest skin, °C. ▲ above ${limitC} °C, ◆ enough to burn; the frame is the field nearest this plan. Tap a field, or use the arrow keys, for its words.`}
      </figcaption>
    </figure>
  )
}

/** One field of the map; drawn anew only when its own result comes. */
const Field = memo(function Field({
  point,
  result,
  x,
  y,
  limitC,
  onPick,
}: {
  point: SweepPoint
  result: SweepResult | undefined
  x: number
  y: number
  limitC: number
  onPick: (point: SweepPoint) => void
}) {
  const level = result ? levelOf(result, limitC) : null
  return (
    <g onClick={() => onPick(point)} className="cursor-pointer">
      <rect x={x} y={y} width={cell.width - 1} height={cell.height - 1} rx="2" fill={level?.fill ?? 'var(--well)'} />
      {result && level ? (
        <text x={x + cell.width / 2} y={y + 14} textAnchor="middle" fill={level.text} fontWeight="600">
          {level.sign}
          {result.peakC.toFixed(0)}
        </text>
      ) : null}
    </g>
  )
})
