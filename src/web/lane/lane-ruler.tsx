import type { DisplayUnits } from '#core/planner/format-decision'

/** A ruler under the drawing, in the reader's units; the drawing's own unit is the centimetre. */
export function LaneRuler({
  fromX,
  lengthCm,
  y,
  units,
  scale = 1,
}: {
  fromX: number
  lengthCm: number
  y: number
  units: DisplayUnits
  /** How much larger the lettering is than usual. */
  scale?: number
}) {
  const stepCm = units === 'metric' ? 5 : 5.08
  const count = Math.floor(lengthCm / stepCm)
  const marks = Array.from({ length: count + 1 }, (_, index) => index)
  return (
    <g stroke="var(--soft)" strokeWidth={0.1 * scale} aria-hidden="true">
      <path d={`M${fromX} ${y} H${fromX + count * stepCm}`} />
      {marks.map((index) => (
        <g key={index}>
          <path d={`M${fromX + index * stepCm} ${y - (index % 2 === 0 ? 0.55 : 0.3) * scale} V${y}`} />
          {index % 2 === 0 ? (
            <text x={fromX + index * stepCm} y={y + 1.25 * scale} textAnchor="middle" stroke="none" className="lane-small fill-soft">
              {index * (units === 'metric' ? 5 : 2)}
              {index === 0 ? (units === 'metric' ? ' cm' : ' in') : ''}
            </text>
          ) : null}
        </g>
      ))}
    </g>
  )
}
