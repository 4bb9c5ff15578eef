import { formatLength, type DisplayUnits } from '#core/planner/format-decision'
import type { Geometry } from '#core/model/geometry'
import { straightPath, type Point } from './smooth-path'

/** What is cut, as an outline to scale with its length and width. */
export function TemplateLane({ geometry, units }: { geometry: Geometry; units: DisplayUnits }) {
  const template = geometry.polygons.find((one) => one.role === 'template')
  if (!template) return null
  const xs = template.points.map((point) => point[0])
  const ys = template.points.map((point) => point[1])
  const [minX, maxX, minY, maxY] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  const flip = ([x, y]: Point): Point => [x - minX + 1, y - minY + 1]
  return (
    <svg
      viewBox={`0 0 ${maxX - minX + 6} ${maxY - minY + 3.4}`}
      role="img"
      aria-label={`${template.label}: ${formatLength(maxX - minX, units)} by ${formatLength(maxY - minY, units)}`}
      className="mx-auto block max-h-[22dvh] w-full select-none"
    >
      <path
        d={straightPath(template.points.map(flip), true)}
        fill="var(--slab)"
        stroke="var(--slab-edge)"
        strokeWidth="0.14"
        strokeLinejoin="round"
      />
      <text x={(maxX - minX) / 2 + 1} y={maxY - minY + 2.6} textAnchor="middle" className="arm-text fill-ink">
        {formatLength(maxX - minX, units)}
      </text>
      <text x={maxX - minX + 1.4} y={(maxY - minY) / 2 + 1.3} className="arm-text fill-ink">
        {formatLength(maxY - minY, units)}
      </text>
    </svg>
  )
}
