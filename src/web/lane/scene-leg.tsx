import { useId, useMemo } from 'react'
import type { Geometry, ScenePoint } from '#core/model/geometry'
import type { Point } from '#core/drawing/points'
import { Creases, Form, SkinPaints } from './kit/skin'
import { smoothPath } from '#core/drawing/smooth-path'
import { shapeLeg } from '#core/drawing/leg-shape'

/** Hip and belly are drawn this far above the groin, cm: the patient lies in the rig. */
const hipCm = 42

/**
 * The patient's own leg as it lies in a pull, from the hip to the toes, to the scale of the scene.
 * @param limbCm groin to heel sole along the bars
 * @param toPage from a place of the scene to its page
 */
export function SceneLeg({ geometry, limbCm, toPage }: { geometry: Geometry; limbCm: number; toPage: (point: ScenePoint) => Point }) {
  const id = useId()
  const shape = useMemo(() => shapeLeg(geometry), [geometry])
  const [front, back] = [shape.placeAt('leg', limbCm - 4, 'front')[1], shape.placeAt('leg', limbCm - 4, 'back')[1]]
  // The hip lies where the leg's own drawing ends.
  const inPull = ([x, y]: Point): Point => toPage([limbCm - x, y])
  const leg = shape.outline.filter(([x]) => x < limbCm - 2)
  const hip: readonly Point[] = [
    [limbCm + 2, back - 1],
    [limbCm + 8, back - 2.2],
    [limbCm + 24, back - 0.8],
    [limbCm + hipCm, back - 1.4],
    [limbCm + hipCm, front + 6],
    [limbCm + 26, front + 5],
    [limbCm + 15, front + 3],
    [limbCm + 8, front + 1.6],
    [limbCm + 1, front + 0.4],
  ]
  const top = leg.findIndex(([x]) => x === Math.max(...leg.map((point) => point[0])))
  // The outline begins at the top of the front; the hip closes it from back to front.
  const outline = [...leg.slice(top), ...leg.slice(0, top), ...hip].map(inPull)
  const [x1, y1] = toPage([-hipCm, front + 3])
  const [x2, y2] = toPage([limbCm + 12, shape.bounds.minY])
  // Whichever way it faces.
  const box = { x: Math.min(x1, x2) - 10, y: y1 - 40, width: Math.abs(x2 - x1) + 20, height: y2 - y1 + 60 }
  return (
    <SkinPaints id={id} fromY={y1} toY={y2}>
      <defs>
        <linearGradient id={`${id}-fade`} gradientUnits="userSpaceOnUse" x1={x1} x2={x1 + Math.sign(x2 - x1) * 16} y1="0" y2="0">
          <stop offset="0" stopColor="#fff" stopOpacity="0" />
          <stop offset="1" stopColor="#fff" />
        </linearGradient>
        <mask id={`${id}-mask`} maskUnits="userSpaceOnUse" {...box}>
          <rect {...box} fill={`url(#${id}-fade)`} />
        </mask>
      </defs>
      <g mask={`url(#${id}-mask)`}>
        <Form paths={[smoothPath(outline, true, 0.45)]} paint="skin" lineCm={0.25} />
        <Creases
          paths={[
            smoothPath(
              [
                [limbCm + 2, front],
                [limbCm - 1, front - 4],
                [limbCm - 3, front - 8],
              ].map((point) => inPull(point as unknown as Point)),
            ),
          ]}
          lineCm={0.4}
        />
      </g>
    </SkinPaints>
  )
}
