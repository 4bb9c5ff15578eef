import { useId, useMemo } from 'react'
import type { Geometry, GeometryMark } from '#core/model/geometry'
import { feelingLineOnColumn, placeOnColumn } from '#core/drawing/site-places'
import { FindingMarks, findingsInWords, findingWishes, placeFindings } from './kit/finding-marks'
import { girthLook, girthSource, girthText } from './kit/girth-text'
import { CollarBand } from './collar-band'
import { ColumnBand } from './column-bands'
import type { View } from '#core/drawing/column-form'
import { shapeColumn, type ColumnShape } from '#core/drawing/column-shape'
import { HandMark, type LaneHand } from './kit/lane-hand'
import { LaneFrame } from './kit/lane-frame'
import type { LabelWish, Rail } from './kit/lay-frame'
import { Landmark, TapeLine } from './kit/overlays'
import type { Point } from '#core/drawing/points'
import { shownBands } from './kit/shown-bands'
import { Creases, FadeMask, Form, SkinPaints } from './kit/skin'
import { smoothPath } from '#core/drawing/smooth-path'
import type { LimbFinding } from '#core/standing/findings-on-limb'
import { toneOf } from '../parts/level-mark'
import { toneInk } from '../parts/tone-shape'
import type { LaneProps } from './lane-props'

const down = ([x, y]: Point): Point => [x, -y]
const noFindings: readonly LimbFinding[] = []

/** Neck or trunk from the front and from the side, to scale with a ruler. */
export function ColumnLane(props: LaneProps) {
  const { geometry, units, layers, lit = [], hands = [], findings = noFindings, sitesInHand, onFinding, onPick } = props
  const shapes = useMemo(() => ({ front: shapeColumn(geometry, 'front'), side: shapeColumn(geometry, 'side') }), [geometry])
  const { front, side } = shapes
  const siteAt = (finding: LimbFinding): Point | null => placeOnColumn(finding.site, geometry, front, finding.feelingLevel)
  const isNamed = (mark: GeometryMark): boolean => layers.includes('points') || lit.includes(mark.id)
  const hasTape = layers.includes('readings') || lit.length > 0
  const wishes: readonly LabelWish[] = [
    ...(hasTape ? geometry.stations : []).map((station): LabelWish => ({
      id: station.id,
      rail: 'names',
      text: girthText(station, units, undefined),
      at: [front.edgesAt(station.atCm)[1], station.atCm],
      isHidden: station.from !== 'measured' && !lit.includes(station.id),
      look: girthLook(station),
    })),
    ...geometry.marks
      .filter(isNamed)
      .map((mark): LabelWish => ({ id: mark.id, rail: 'names', text: mark.label, at: markPlace(mark, front, 'front') })),
    ...hands.flatMap((hand): readonly LabelWish[] => {
      const at = columnHandSpot(hand.place, geometry, front)
      return at ? [{ id: hand.place, rail: 'names', text: hand.label, at, look: 'hand' }] : []
    }),
    ...findingWishes(findings, siteAt, () => 'names'),
  ]
  return (
    <LaneFrame
      name={`${geometry.body === 'neck' ? 'Neck and shoulders' : 'Trunk'} from the front and from the side, drawn to scale from the readings${findingsInWords(findings)}`}
      figures={useMemo(
        () => [
          { id: 'front', bounds: front.bounds },
          { id: 'side', bounds: side.bounds },
        ],
        [front, side],
      )}
      rails={useMemo((): readonly Rail[] => [{ id: 'names', figure: 'front', grows: 'right', atCm: front.bounds.maxX }], [front])}
      wishes={wishes}
      units={units}
      ruler={{ lies: 'beside', lengthCm: front.bounds.maxY }}
      onPick={onPick}
      over={({ place }) => (
        <>
          {hands.map((hand) => {
            const at = columnHandSpot(hand.place, geometry, front)
            if (!at) return null
            // A head is held between two hands.
            const both = hand.place === 'hold-joint' && geometry.body === 'neck'
            return (
              <g key={hand.place}>
                <HandMark isActive={hand.isActive} at={place('front', at)} />
                {both ? <HandMark isActive={hand.isActive} at={place('front', [-at[0], at[1]])} isMirrored /> : null}
              </g>
            )
          })}
          {findings.map((finding) => {
            const ends = feelingLineOnColumn(finding, geometry, front)
            return ends ? (
              <FeelingLine key={finding.site} level={finding.level} from={place('front', ends[0])} to={place('front', ends[1])} />
            ) : null
          })}
          <FindingMarks placed={placeFindings(findings, siteAt, (at) => place('front', at))} inHand={sitesInHand} onPick={onFinding} />
        </>
      )}
    >
      {(view) => <ColumnFigure {...props} shape={shapes[view as View]} view={view as View} />}
    </LaneFrame>
  )
}

/** Where feeling ends, across the trunk. */
export function FeelingLine({ level, from: [x1, y1], to: [x2, y2] }: { level: LimbFinding['level']; from: Point; to: Point }) {
  const line = { x1, y1, x2, y2 }
  return (
    <g data-feeling-line strokeWidth="2.5" className={toneInk[toneOf(level)]}>
      <line {...line} stroke="var(--sheet)" strokeWidth="5" opacity="0.8" />
      <line {...line} stroke="currentColor" strokeDasharray="7 4" />
    </g>
  )
}

/** Where hands go on neck or trunk from the front, cm from the middle and up: the head is at the top. */
function columnHandSpot(place: LaneHand['place'], geometry: Geometry, shape: ColumnShape): Point | null {
  const { minY, maxY } = shape.bounds
  const half = shape.edgesAt((geometry.axes[0]?.lengthCm ?? 6) / 2)[1]
  const at = (share: number): number => minY + (maxY - minY) * share
  switch (place) {
    case 'apply':
      return [0, at(0.42)]
    case 'hold-joint':
      return [half * 1.3, at(0.74)]
    case 'hold-proximal':
      return [half * 1.1, at(0.56)]
    case 'hold-distal':
      return [0, at(0.06)]
    case 'fetch':
      return null
  }
}

/** Where a landmark lies: in the middle from the front, on the front edge from the side. */
function markPlace(mark: GeometryMark, shape: ColumnShape, view: View): Point {
  return [view === 'side' ? shape.edgesAt(mark.atCm)[1] * 0.92 : 0, mark.atCm]
}

/** Neck or trunk from one side, with what is worn. */
export function ColumnFigure({
  geometry,
  layers,
  off = [],
  lit = [],
  onPick,
  shape,
  view,
}: Omit<LaneProps, 'units'> & { shape: ColumnShape; view: View }) {
  const id = useId()
  const { minX, maxX, minY, maxY } = shape.bounds
  const paths = useMemo(
    () => ({
      form: shape.outlines.map((outline) => smoothPath(outline.map(down), true, 0.42)),
      hair: shape.hair ? smoothPath(shape.hair.map(down), true, 0.42) : null,
      arm: shape.nearArm ? smoothPath(shape.nearArm.map(down), true, 0.42) : null,
      creases: shape.creases.map((line) => smoothPath(line.map(down))),
    }),
    [shape],
  )
  const Worn = geometry.body === 'neck' ? CollarBand : ColumnBand
  const hasDevice = layers.some((layer) => layer === 'slab' || layer === 'padding' || layer === 'points')
  const worn = hasDevice ? shownBands(geometry.bands, off, lit) : []
  return (
    <SkinPaints id={id} fromY={-maxY} toY={-minY}>
      <FadeMask id={id} box={{ x: minX - 1, y: -maxY - 2, width: maxX - minX + 2, height: maxY - minY + 2 }} towards="down" overCm={5} />
      <g mask={`url(#${id}-mask)`}>
        <Form paths={paths.form} paint="column" lineCm={0.1} />
        {paths.hair ? <path d={paths.hair} fill="var(--hair)" opacity="0.85" /> : null}
        <Creases paths={paths.creases} lineCm={0.16} opacity={0.62} />
      </g>
      {worn.map((band) => (
        <Worn
          key={band.id}
          band={band}
          shape={shape}
          view={view}
          isLit={lit.includes(band.id)}
          isFaint={off.includes(band.id)}
          onPick={onPick}
        />
      ))}
      {paths.arm ? (
        <g mask={`url(#${id}-mask)`} pointerEvents="none">
          {worn.length > 0 ? (
            // As clear as glass: the seam and the buckles of what is worn lie right under the arm.
            <path d={paths.arm} fill="var(--skin-light)" fillOpacity="0.3" stroke="var(--skin-edge)" strokeWidth="0.24" />
          ) : (
            <Form paths={[paths.arm]} paint="column" lineCm={0.1} />
          )}
        </g>
      ) : null}
      {layers.includes('readings') || lit.length > 0
        ? geometry.stations
            .filter((station) => station.from === 'measured' || lit.includes(station.id))
            .map((station) => {
              const [left, right] = shape.edgesAt(station.atCm)
              return (
                <TapeLine
                  key={station.id}
                  from={[left, -station.atCm]}
                  to={[right, -station.atCm]}
                  bend={[0, 2.2]}
                  source={girthSource(station, undefined)}
                  isLit={lit.includes(station.id)}
                  onPick={onPick ? () => onPick(station.id) : undefined}
                />
              )
            })
        : null}
      {view === 'side' && geometry.body === 'neck' && (layers.includes('readings') || lit.length > 0) ? (
        <HeightArrow shape={shape} isLit={lit.some((one) => geometry.marks.some((mark) => mark.id === one))} />
      ) : null}
      {geometry.marks
        .filter((mark) => lit.includes(mark.id) || layers.includes('points'))
        .map((mark) => (
          <Landmark key={mark.id} at={down(markPlace(mark, shape, view))} kind={mark.kind} isLit={lit.includes(mark.id)} />
        ))}
    </SkinPaints>
  )
}

/** The one distance that a collar is chosen by: from the line of the shoulder up to under the chin. */
function HeightArrow({ shape, isLit }: { shape: ColumnShape; isLit: boolean }) {
  const { lengthCm } = shape.body
  const x = shape.edgesAt(lengthCm / 2)[1] + 2.4
  const head = 0.9
  const line = `M${x} 0 V${-lengthCm}`
  return (
    <g fill="none" strokeLinecap="round" strokeLinejoin="round">
      <path d={`M${x - 3.4} 0 h4.6 M${x - 2.4} ${-lengthCm} h3.6`} stroke="var(--soft)" strokeWidth="0.2" strokeDasharray="0.6 0.5" />
      {isLit ? <path d={line} stroke="var(--citrus)" strokeWidth="1.3" /> : null}
      <path
        d={`${line} M${x - head} ${-head} L${x} 0 L${x + head} ${-head} M${x - head} ${head - lengthCm} L${x} ${-lengthCm} L${x + head} ${head - lengthCm}`}
        stroke="var(--ink)"
        strokeWidth="0.34"
      />
    </g>
  )
}
