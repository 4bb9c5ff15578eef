import { useId, useMemo } from 'react'
import type { SketchScene } from '#core/practice/bench'
import { LaneFrame } from '../lane/kit/lane-frame'
import type { LabelWish, Rail } from '../lane/kit/lay-frame'
import { boundsOf, type Point } from '#core/drawing/points'
import { Form, SkinPaints } from '../lane/kit/skin'
import { smoothPath, straightPath } from '#core/drawing/smooth-path'
import type { DisplayUnits } from '#core/planner/format-decision'

const down = ([x, y]: Point): Point => [x, -y]
const height = { narrow: 0.28, wide: 0.4 }
const ruler = (lengthCm: number) => ({ lies: 'under' as const, lengthCm })

/** A sketch to scale, of the same kit as every body; what is pinned lies under it, broken. */
export function SketchFigure({ scene, before, units }: { scene: SketchScene; before: SketchScene | null; units: DisplayUnits }) {
  const id = useId()
  const bounds = useMemo(() => {
    const { minX, maxX, minY, maxY } = boundsOf([...scene.shapes, ...(before?.shapes ?? [])].flatMap((shape) => shape.points))
    return { minX: minX - 1.5, maxX: maxX + 1.5, minY: minY - 1, maxY: maxY + 1 }
  }, [scene, before])
  const rails = useMemo((): readonly Rail[] => [{ id: 'names', figure: 'sketch', grows: 'up', atCm: bounds.maxY }], [bounds])
  const figures = useMemo(() => [{ id: 'sketch', bounds }], [bounds])
  const wishes = useMemo(() => scene.labels.map((label): LabelWish => ({ ...label, rail: 'names' })), [scene])
  return (
    <LaneFrame
      name={scene.words}
      figures={figures}
      rails={rails}
      wishes={wishes}
      units={units}
      ruler={ruler(Math.max(5, bounds.maxX))}
      mostHeight={height}
    >
      {() => (
        <SkinPaints id={id} fromY={-bounds.maxY} toY={-bounds.minY}>
          {scene.shapes.map((shape) => (
            <Shape key={shape.id} shape={shape} />
          ))}
          {(before?.shapes ?? [])
            .filter((shape) => shape.look === 'device')
            .map((shape) => (
              <Shape key={`before ${shape.id}`} shape={{ ...shape, look: 'before' }} />
            ))}
        </SkinPaints>
      )}
    </LaneFrame>
  )
}

function Shape({ shape }: { shape: SketchScene['shapes'][number] }) {
  const points = shape.points.map(down)
  const path = shape.isSmooth ? smoothPath(points, shape.isClosed, 0.42) : straightPath(points, shape.isClosed)
  switch (shape.look) {
    case 'skin':
      return <Form paths={[path]} paint="skin" lineCm={0.09} />
    case 'device':
      return shape.isClosed ? (
        <path d={path} fill="var(--slab)" stroke="var(--slab-edge)" strokeWidth="0.14" strokeLinejoin="round" />
      ) : (
        <path d={path} fill="none" stroke="var(--slab-edge)" strokeWidth="1.3" strokeLinecap="round" />
      )
    case 'strap':
      return <path d={path} fill="var(--slab-edge)" stroke="none" />
    case 'before':
      return <path d={path} fill="none" stroke="var(--soft)" strokeWidth="0.45" strokeDasharray="1.2 0.8" strokeLinecap="round" />
    case 'line':
      return <path d={path} fill="none" stroke="var(--ink)" strokeWidth="0.25" strokeLinecap="round" />
    case 'warning':
      return <path d={path} fill="none" stroke="var(--stop)" strokeWidth="0.35" strokeDasharray="0.9 0.6" />
  }
}
