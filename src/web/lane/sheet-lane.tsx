import { useMemo } from 'react'
import type { Geometry } from '#core/model/geometry'
import { formatLength, type DisplayUnits } from '#core/planner/format-decision'
import { LaneFrame } from './kit/lane-frame'
import { labelPx, type LabelWish, type Rail } from './kit/lay-frame'
import { boundsOf, type Point } from '#core/drawing/points'
import { smoothPath, straightPath } from '#core/drawing/smooth-path'
import { textWidthPx } from './kit/text-width'

const down = ([x, y]: Point): Point => [x, -y]
const height = { narrow: 0.24, wide: 0.26 }

/** The limb's surface unrolled from behind with the slab on it: what stays open lies above and below. */
export function SheetLane({ geometry, units, onPick }: { geometry: Geometry; units: DisplayUnits; onPick?: (id: string) => void }) {
  const skin = geometry.polygons.find((polygon) => polygon.role === 'sheet')
  const slab = geometry.polygons.find((polygon) => polygon.role === 'slab')
  const decision = geometry.bands.find((band) => band.kind === 'slab')?.decision
  const frame = useMemo(() => {
    const bounds = boundsOf([...(skin?.points ?? []), ...(slab?.points ?? [])])
    const rails: readonly Rail[] = [{ id: 'open', figure: 'sheet', grows: 'up', atCm: bounds.maxY }]
    return { figures: [{ id: 'sheet', bounds }], rails }
  }, [skin, slab])
  if (!skin || !slab) return null
  const upper = skin.points.filter((point) => point[1] > 0)
  const lower = skin.points.filter((point) => point[1] < 0)
  const slabHalf = Math.max(...slab.points.map((point) => point[1]))
  const widthWords = formatLength(slabHalf * 2, units)
  const wishes = upper.map((point, index): LabelWish => ({
    id: `open-${index}`,
    rail: 'open',
    text: `${formatLength(2 * (point[1] - slabHalf), units)}${index === 0 ? ' open' : ''}`,
    at: point,
    look: 'figure',
  }))
  const { minX, maxX } = boundsOf(slab.points)
  return (
    <LaneFrame
      name={`Unrolled: slab ${widthWords} wide; the open front lies above and below it`}
      {...frame}
      wishes={wishes}
      units={units}
      mostHeight={height}
      over={({ place, pxPerCm }) => {
        const [x, y] = place('sheet', [(Math.max(0, minX) + maxX) / 2, 0])
        const footPx = -minX * pxPerCm
        const foot = ['under the foot', 'foot'].find((words) => textWidthPx(words, labelPx) < footPx - 6)
        return (
          <g style={{ fontSize: labelPx, fontWeight: 650, pointerEvents: 'none' }} fill="var(--on-slab)" textAnchor="middle">
            <text x={x} y={y + 5}>
              {widthWords}
            </text>
            {foot ? (
              <text x={place('sheet', [minX / 2, 0])[0]} y={y + 5}>
                {foot}
              </text>
            ) : null}
          </g>
        )
      }}
    >
      {() => (
        <>
          <path
            d={`${smoothPath(upper.map(down))} L${smoothPath(lower.map(down)).slice(1)} Z`}
            fill="var(--skin)"
            opacity="0.55"
            stroke="var(--skin-edge)"
            strokeWidth="0.16"
          />
          <g onClick={onPick && decision ? () => onPick(decision) : undefined} className={onPick && decision ? 'cursor-pointer' : ''}>
            <path
              d={straightPath(slab.points.map(down), true)}
              fill="var(--slab)"
              fillOpacity="0.92"
              stroke="var(--slab-edge)"
              strokeWidth="0.22"
              strokeLinejoin="round"
            />
            <path
              d={straightPath([
                [0, slabHalf],
                [0, -slabHalf],
              ])}
              stroke="var(--slab-edge)"
              strokeWidth="0.16"
              strokeDasharray="0.6 0.5"
            />
          </g>
          {upper.map((point, index) => (
            <path key={index} d={`M${point[0]} ${-point[1]} V${-slabHalf}`} stroke="var(--ink)" strokeWidth="0.14" />
          ))}
        </>
      )}
    </LaneFrame>
  )
}
