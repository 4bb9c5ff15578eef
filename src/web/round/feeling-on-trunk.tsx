import { useMemo } from 'react'
import { shapeColumn } from '#core/drawing/column-shape'
import { feelingLevelAt } from '#core/drawing/feeling-heights'
import { feelingLineOnColumn } from '#core/drawing/site-places'
import type { Geometry } from '#core/model/geometry'
import { ColumnFigure, FeelingLine } from '../lane/column-lane'
import { LaneFrame, LaneStrip } from '../lane/kit/lane-frame'
import type { LaneLayer } from '../lane/lane-props'

const strip = { heightPx: 230, hasSide: false }

/**
 * The trunk from the front: a tap at the highest place where touch is lost sets the level, which is drawn across it. For whoever sees and
 * taps; the steps and the list beside it say the same to keys and readers.
 * @param level as entered, empty where none is
 */
export function FeelingOnTrunk({
  geometry,
  layers,
  level,
  onLevel,
}: {
  geometry: Geometry
  layers: readonly LaneLayer[]
  level: string
  onLevel: (level: string) => void
}) {
  const shape = useMemo(() => shapeColumn(geometry, 'front'), [geometry])
  const figures = useMemo(() => [{ id: 'front', bounds: shape.bounds }], [shape])
  const ends = feelingLineOnColumn({ site: 'feeling-line', feelingLevel: level }, geometry, shape)
  return (
    <div aria-hidden className="w-44 shrink-0">
      <LaneStrip value={strip}>
        <LaneFrame
          name="Trunk from the front"
          figures={figures}
          rails={[]}
          wishes={[]}
          units="metric"
          onTap={([, heightCm]) => onLevel(feelingLevelAt(heightCm, geometry.axes[0]?.lengthCm ?? 50))}
          over={({ place }) => (ends ? <FeelingLine level="urgent" from={place('front', ends[0])} to={place('front', ends[1])} /> : null)}
        >
          {() => <ColumnFigure geometry={geometry} layers={layers} shape={shape} view="front" />}
        </LaneFrame>
      </LaneStrip>
    </div>
  )
}
