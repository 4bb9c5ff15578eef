import { useMemo } from 'react'
import type { Geometry } from '#core/model/geometry'
import { formatLength, type DisplayUnits } from '#core/planner/format-decision'
import { LaneFrame } from './kit/lane-frame'
import type { LabelWish, Rail } from './kit/lay-frame'
import { boundsOf, type Point } from '#core/drawing/points'
import { straightPath } from '#core/drawing/smooth-path'

// The outline is kept with y down the page.
const turned = ([x, y]: Point): Point => [x, -y]
const height = { narrow: 0.22, wide: 0.24 }
const none: readonly Point[] = []

/** What is cut, as an outline to scale with its length and width. */
export function TemplateLane({ geometry, units }: { geometry: Geometry; units: DisplayUnits }) {
  const template = geometry.polygons.find((polygon) => polygon.role === 'template')
  const points = template?.points ?? none
  const frame = useMemo(() => {
    const bounds = boundsOf(points.map(turned))
    const rails: readonly Rail[] = [
      { id: 'length', figure: 'template', grows: 'down', atCm: bounds.minY },
      { id: 'width', figure: 'template', grows: 'right', atCm: bounds.maxX },
    ]
    return { bounds, rails, figures: [{ id: 'template', bounds }] }
  }, [points])
  if (!template) return null
  const { minX, maxX, minY, maxY } = frame.bounds
  const [length, width] = [formatLength(maxX - minX, units), formatLength(maxY - minY, units)]
  const wishes: readonly LabelWish[] = [
    { id: 'length', rail: 'length', text: length, at: [(minX + maxX) / 2, minY], look: 'figure' },
    { id: 'width', rail: 'width', text: width, at: [maxX, (minY + maxY) / 2], look: 'figure' },
  ]
  return (
    <LaneFrame
      name={`${template.label}: ${length} by ${width}`}
      figures={frame.figures}
      rails={frame.rails}
      wishes={wishes}
      units={units}
      mostHeight={height}
    >
      {() => <path d={straightPath(points, true)} fill="var(--slab)" stroke="var(--slab-edge)" strokeWidth="0.14" strokeLinejoin="round" />}
    </LaneFrame>
  )
}
