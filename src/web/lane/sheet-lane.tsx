import type { DisplayUnits } from '#core/planner/format-decision'
import { formatLength } from '#core/planner/format-decision'
import type { Geometry } from '#core/model/geometry'
import { smoothPath, straightPath, type Point } from './smooth-path'

/** The limb's surface unrolled from behind with the slab on it: what stays open lies above and below. */
export function SheetLane({ geometry, units, onPick }: { geometry: Geometry; units: DisplayUnits; onPick?: (id: string) => void }) {
  const skin = geometry.polygons.find((one) => one.role === 'sheet')
  const slab = geometry.polygons.find((one) => one.role === 'slab')
  if (!skin || !slab) return null
  const decision = geometry.bands.find((one) => one.kind === 'slab')?.decision
  const points = [...skin.points, ...slab.points]
  const minX = Math.min(...points.map((one) => one[0])) - 2
  const maxX = Math.max(...points.map((one) => one[0])) + 5
  const half = Math.max(...points.map((one) => Math.abs(one[1]))) + 2.6
  const flip = ([x, y]: Point): Point => [x - minX, half - y]
  const upper = skin.points.filter((one) => one[1] > 0)
  const lower = skin.points.filter((one) => one[1] < 0)
  const slabHalf = Math.max(...slab.points.map((one) => one[1]))
  const label = `Unrolled: slab ${formatLength(slabHalf * 2, units)} wide; the open front lies above and below it`
  return (
    <svg
      viewBox={`0 0 ${maxX - minX} ${half * 2}`}
      role="img"
      aria-label={label}
      className="mx-auto block max-h-[26dvh] w-full select-none"
    >
      <path
        d={`${smoothPath(upper.map(flip))} L${smoothPath(lower.map(flip)).slice(1)} Z`}
        fill="var(--skin)"
        opacity="0.55"
        stroke="var(--skin-edge)"
        strokeWidth="0.16"
      />
      <g onClick={onPick && decision ? () => onPick(decision) : undefined} className={onPick && decision ? 'cursor-pointer' : ''}>
        <path
          d={straightPath(slab.points.map(flip), true)}
          fill="var(--slab)"
          fillOpacity="0.92"
          stroke="var(--slab-edge)"
          strokeWidth="0.22"
          strokeLinejoin="round"
        />
        <path
          d={straightPath([flip([0, slabHalf]), flip([0, -slabHalf])])}
          stroke="var(--slab-edge)"
          strokeWidth="0.16"
          strokeDasharray="0.6 0.5"
        />
        <text x={flip([0, 0])[0] - 0.6} y={half + 0.5} textAnchor="end" className="sheet-text" fill="#1d1b16">
          {-minX > 12 ? 'under the foot' : 'foot'}
        </text>
        <text x={flip([maxX * 0.5, 0])[0]} y={half + 0.6} textAnchor="middle" className="sheet-text" fill="#1d1b16">
          {formatLength(slabHalf * 2, units)}
        </text>
      </g>
      {upper.map((point, index) => {
        const gap = 2 * (point[1] - slabHalf)
        const [x, y] = flip(point)
        return (
          <g key={index}>
            <path d={`M${x} ${y} V${half - slabHalf}`} stroke="var(--ink)" strokeWidth="0.14" />
            <text x={x} y={y - 0.7} textAnchor={index === upper.length - 1 ? 'start' : 'middle'} className="sheet-text fill-ink">
              {formatLength(gap, units)}
              {index === 0 ? ' open' : ''}
            </text>
          </g>
        )
      })}
    </svg>
  )
}
