import { useMemo } from 'react'
import { formatLength } from '#core/planner/format-decision'
import type { Geometry, GeometryBand } from '#core/model/geometry'
import { shapeColumn, type ColumnShape, type View } from './column-shape'
import { HandMark, type LaneHand } from './lane-hand'
import type { LaneProps } from './lane-props'
import { smoothPath, type Point } from './smooth-path'

const gapCm = 6
const pad = 3

/** Neck or trunk from the front and from the side, to scale with a ruler. */
export function ColumnLane(props: LaneProps) {
  const { geometry, units } = props
  const front = useMemo(() => shapeColumn(geometry, 'front'), [geometry])
  const side = useMemo(() => shapeColumn(geometry, 'side'), [geometry])
  const minY = Math.min(front.minY, side.minY)
  const height = Math.max(front.maxY, side.maxY) - minY + 2 * pad + 2
  const frontX = front.half + pad + 5
  const sideX = frontX + front.half + gapCm + side.half
  const width = sideX + side.half + pad + 6
  const toY = (y: number): number => height - pad - (y - minY)
  const name = geometry.body === 'neck' ? 'Neck and shoulders' : 'Trunk'
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`${name} from the front and from the side, drawn to scale from the readings`}
      className="mx-auto block max-h-[27dvh] w-full select-none lg:max-h-[56dvh]"
    >
      <Ruler lengthCm={Math.max(5, Math.floor((front.maxY - minY) / 5) * 5)} y0={toY(minY)} isInches={units === 'inches'} />
      <Figure {...props} shape={front} view="front" at={frontX} toY={toY} />
      <Figure {...props} shape={side} view="side" at={sideX} toY={toY} />
      {(props.hands ?? []).map((hand) => {
        const spot = columnHandSpot(hand.place, front)
        return spot ? (
          <HandMark key={hand.place} hand={hand} at={[frontX + spot[0], toY(spot[1])]} scale={1.5} textClass="column-small" />
        ) : null
      })}
    </svg>
  )
}

/** Where hands go on neck or trunk from the front, cm from the middle and up: the head is at the top. */
function columnHandSpot(place: LaneHand['place'], shape: ColumnShape): Point | null {
  const at = (share: number): number => shape.minY + (shape.maxY - shape.minY) * share
  switch (place) {
    case 'apply':
      return [0, at(0.42)]
    case 'hold-joint':
      return [-shape.half * 0.55, at(0.88)]
    case 'hold-proximal':
      return [-shape.half * 0.85, at(0.6)]
    case 'hold-distal':
      return [0, at(0.06)]
    case 'fetch':
      return null
  }
}

function Ruler({ lengthCm, y0, isInches }: { lengthCm: number; y0: number; isInches: boolean }) {
  const step = isInches ? 5.08 : 5
  const marks = Array.from({ length: Math.floor(lengthCm / step) + 1 }, (_, index) => index)
  return (
    <g stroke="var(--soft)" strokeWidth="0.12" aria-hidden="true">
      <path d={`M3.4 ${y0} V${y0 - marks.length * step + step}`} />
      {marks.map((mark) => (
        <g key={mark}>
          <path d={`M${mark % 2 === 0 ? 2.8 : 3.1} ${y0 - mark * step} H3.4`} />
          {mark % 2 === 0 ? (
            <text x="0.2" y={y0 - mark * step + 0.5} stroke="none" className="column-small fill-soft">
              {mark * (isInches ? 2 : 5)}
            </text>
          ) : null}
        </g>
      ))}
    </g>
  )
}

interface FigureProps extends LaneProps {
  readonly shape: ColumnShape
  readonly view: View
  readonly at: number
  readonly toY: (y: number) => number
}

function Figure({ geometry, units, layers, lit = [], onPick, shape, view, at, toY }: FigureProps) {
  const place = ([x, y]: Point): Point => [at + x, toY(y)]
  return (
    <g>
      <path
        d={`${smoothPath(shape.right.map(place))} ${smoothPath([...shape.left].reverse().map(place)).replace(/^M/, 'L')} Z`}
        fill="var(--skin)"
        stroke="var(--skin-edge)"
        strokeWidth="0.2"
        strokeLinejoin="round"
      />
      {geometry.body === 'neck' ? <Face view={view} geometry={geometry} place={place} /> : null}
      {layers.includes('slab') || layers.includes('padding') || layers.includes('points')
        ? geometry.bands.map((band) => (
            <ColumnBand key={band.id} band={band} shape={shape} view={view} place={place} isLit={lit.includes(band.id)} onPick={onPick} />
          ))
        : null}
      {layers.includes('readings') || lit.length > 0 ? (
        <g>
          {geometry.stations
            .filter((station) => station.from === 'measured' || lit.includes(station.id))
            .map((station) => {
              const [left, right] = shape.halfAt(station.atCm, view)
              const [x1, y] = place([left, station.atCm])
              const [x2] = place([right, station.atCm])
              const isLit = lit.includes(station.id)
              return (
                <g key={station.id} onClick={onPick ? () => onPick(station.id) : undefined} className={onPick ? 'cursor-pointer' : ''}>
                  {isLit ? (
                    <path d={`M${x1} ${y} Q${(x1 + x2) / 2} ${y + 2.2} ${x2} ${y}`} fill="none" stroke="var(--citrus)" strokeWidth="1.1" />
                  ) : null}
                  <path
                    d={`M${x1} ${y} Q${(x1 + x2) / 2} ${y + 2.2} ${x2} ${y}`}
                    fill="none"
                    stroke="var(--ink)"
                    strokeWidth="0.22"
                    strokeDasharray={station.from === 'estimated' ? '0.6 0.5' : undefined}
                  />
                  {view === 'front' ? (
                    <text x={(x1 + x2) / 2} y={y - 0.7} textAnchor="middle" className="column-text fill-ink">
                      {formatLength(station.girthCm, units)}
                    </text>
                  ) : null}
                </g>
              )
            })}
        </g>
      ) : null}
      {geometry.marks
        .filter((mark) => lit.includes(mark.id) || layers.includes('points'))
        .map((mark) => {
          const [, right] = shape.halfAt(mark.atCm, view)
          const [x, y] = place([view === 'side' ? right * 0.9 : 0, mark.atCm])
          return (
            <g key={mark.id}>
              <circle
                cx={x}
                cy={y}
                r={lit.includes(mark.id) ? 1.2 : 0.6}
                fill={lit.includes(mark.id) ? 'var(--citrus)' : 'var(--skin-edge)'}
                stroke="var(--ink)"
                strokeWidth="0.12"
              />
              {view === 'front' ? (
                <text x={x} y={y - 1.5} textAnchor="middle" className="column-text fill-ink">
                  {mark.label}
                </text>
              ) : null}
            </g>
          )
        })}
    </g>
  )
}

function Face({ view, geometry, place }: { view: View; geometry: Geometry; place: (point: Point) => Point }) {
  const chin = geometry.axes[0]?.lengthCm ?? 6
  const eyes: readonly Point[] =
    view === 'front'
      ? [
          [-3, chin + 11],
          [3, chin + 11],
        ]
      : [[8, chin + 11]]
  return (
    <g fill="none" stroke="var(--skin-edge)" strokeWidth="0.28" strokeLinecap="round" opacity="0.8">
      {eyes.map((eye, index) => {
        const [x, y] = place(eye)
        return <path key={index} d={`M${x - 1.1} ${y} h2.2`} />
      })}
      {view === 'front' ? (
        <path d={`M${place([-2, chin + 4])[0]} ${place([0, chin + 4])[1]} h4`} />
      ) : (
        <path d={`M${place([9.2, chin + 4.2])[0]} ${place([0, chin + 4.2])[1]} h-1.6`} />
      )}
    </g>
  )
}

function ColumnBand({
  band,
  shape,
  view,
  place,
  isLit,
  onPick,
}: {
  band: GeometryBand
  shape: ColumnShape
  view: View
  place: (point: Point) => Point
  isLit: boolean
  onPick: LaneProps['onPick']
}) {
  const isHalf = band.id === 'front' || band.id === 'back'
  if (view === 'front' && band.id === 'back') return null
  const steps = 6
  const margin = band.kind === 'strap' ? 0.9 : 0.6
  const at = (index: number): number => band.fromCm + ((band.toCm - band.fromCm) * index) / steps
  const edge = (index: number, sign: 0 | 1): Point => {
    const half = shape.halfAt(at(index), view)[sign]
    const from =
      view === 'side' && isHalf && (band.id === 'front') !== (sign === 1)
        ? (band.id === 'front' ? -0.12 : 0.12) * Math.abs(half)
        : half + (sign === 1 ? margin : -margin)
    return place([from, at(index)])
  }
  const indices = Array.from({ length: steps + 1 }, (_, index) => index)
  const outline = [...indices.map((index) => edge(index, 1)), ...indices.map((index) => edge(index, 0)).reverse()]
  const decision = band.decision
  return (
    <path
      d={smoothPath(outline, true, 0.05)}
      fill={isLit ? 'var(--citrus)' : band.kind === 'strap' ? 'var(--slab-edge)' : 'var(--slab)'}
      fillOpacity={band.kind === 'strap' ? 0.85 : 0.6}
      stroke="var(--slab-edge)"
      strokeWidth="0.25"
      onClick={onPick && decision ? () => onPick(decision) : undefined}
      className={onPick ? 'cursor-pointer' : ''}
    >
      <title>{band.label}</title>
    </path>
  )
}
