import { useMemo } from 'react'
import { formatLength } from '#core/planner/format-decision'
import type { Geometry } from '#core/model/geometry'
import { HandMark, type LaneHand } from './lane-hand'
import { LaneRuler } from './lane-ruler'
import { xOfTap } from './level-of-tap'
import type { LaneProps } from './lane-props'
import { smoothPath, type Point } from './smooth-path'
import { wetFill, wetStateOf } from './wet-legend'
import type { WetState } from '#core/runs/wet-now'

const pad = { left: 3, right: 3, top: 3.6, bottom: 3.4 }
/** Breadth of a forearm seen from the palm side, as a share of girth ÷ π. */
const breadthShare = 1.14

interface ArmShape {
  readonly outline: readonly Point[]
  readonly fingers: readonly (readonly [Point, Point, number])[]
  readonly fingertipX: number
  readonly elbowX: number
  readonly half: number
  readonly halfAt: (atCm: number) => number
}

/** Forearm and hand from the palm side, fingertips to the left, cm from the wrist crease. */
function shapeArm(geometry: Geometry): ArmShape {
  const stations = [...geometry.stations].sort((a, b) => a.atCm - b.atCm)
  const halfOf = (girthCm: number): number => (girthCm / Math.PI / 2) * breadthShare
  const palmCm = -(geometry.marks.find((mark) => mark.id === 'palm-crease')?.atCm ?? -8)
  const elbowX = geometry.axes[0]?.lengthCm ?? 22
  const halfAt = (atCm: number): number => {
    const upper = stations.findIndex((station) => station.atCm >= atCm)
    const above = stations[upper < 0 ? stations.length - 1 : upper]
    const below = stations[Math.max(0, upper - 1)]
    if (!above || !below || upper <= 0) return halfOf((above ?? below)?.girthCm ?? 20)
    return halfOf(below.girthCm + ((atCm - below.atCm) / (above.atCm - below.atCm)) * (above.girthCm - below.girthCm))
  }
  const hand = halfAt(-palmCm) * 1.05
  const wrist = halfAt(0)
  const knuckleX = -palmCm - 1
  const fingerW = hand / 2.15
  const lengths = [0.78, 0.98, 0.92, 0.7].map((share) => share * palmCm * 1.02)
  const fingers = lengths.map((length, index): readonly [Point, Point, number] => {
    const y = hand - fingerW * (0.53 + index * 1.07)
    return [[knuckleX + 1.5, y * 0.96], [knuckleX - length, y], fingerW * 0.46]
  })
  const upper: Point[] = [
    [elbowX + 2, halfAt(elbowX)],
    [elbowX * 0.75, halfAt(elbowX * 0.75)],
    [elbowX * 0.5, halfAt(elbowX * 0.5)],
    [0, wrist],
    [-palmCm * 0.45, hand * 0.98],
    [knuckleX, hand],
  ]
  const lower: Point[] = [
    [knuckleX, -hand],
    [-palmCm * 0.5, -hand * 0.98],
    [0, -wrist],
    [elbowX * 0.5, -halfAt(elbowX * 0.5)],
    [elbowX * 0.75, -halfAt(elbowX * 0.75)],
    [elbowX + 2, -halfAt(elbowX)],
  ]
  return {
    outline: [...upper, ...lower],
    fingers,
    fingertipX: knuckleX - Math.max(...lengths) - 1,
    elbowX,
    half: Math.max(hand + 3.4, halfAt(elbowX * 0.75)),
    halfAt,
  }
}

/** Where hands go on the arm, in its own centimetres. */
function armHandSpot(place: LaneHand['place'], shape: ArmShape): Point | null {
  switch (place) {
    case 'apply':
      return [shape.elbowX * 0.45, shape.halfAt(shape.elbowX * 0.45) * 0.4]
    case 'hold-distal':
      return [shape.fingertipX + 4, -1]
    case 'hold-joint':
      return [shape.elbowX - 1, 0]
    case 'hold-proximal':
      return [shape.elbowX + 1, -1]
    case 'fetch':
      return null
  }
}

/** The forearm from the palm side, to scale with a ruler, with what is laid over it. */
export function ArmLane({ geometry, units, layers, lit = [], drawnSide, hands = [], wet, onPick, onLevel }: LaneProps) {
  const shape = useMemo(() => shapeArm(geometry), [geometry])
  const width = shape.elbowX + 2 - shape.fingertipX + pad.left + pad.right
  const height = 2 * shape.half + pad.top + pad.bottom
  const side = drawnSide ?? geometry.side
  // The thumb side is up for a left hand seen from the palm, down for a right one.
  const mirror = side === 'right' ? -1 : 1
  const flip = ([x, y]: Point): Point => [x - shape.fingertipX + pad.left, shape.half - y * mirror + pad.top]
  const slab = geometry.bands.find((band) => band.kind === 'slab')
  const thumb: readonly Point[] = [
    [-1.5, shape.halfAt(0)],
    [-4.5, shape.half - 0.6],
    [-7.8, shape.half - 0.2],
    [-8.2, shape.half - 1.7],
    [-5.5, shape.halfAt(-5) + 0.3],
  ]
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`${side ?? ''} forearm from the palm side, drawn to scale from its readings`.trim()}
      onClick={onLevel ? (event) => onLevel(xOfTap(event) - pad.left + shape.fingertipX) : undefined}
      className={`mx-auto block max-h-[24dvh] w-full select-none sm:max-h-[30dvh] lg:max-h-[48dvh] ${onLevel ? 'cursor-crosshair' : ''}`}
    >
      <LaneRuler fromX={flip([0, 0])[0]} lengthCm={shape.elbowX + 2} y={height - 1.3} units={units} />
      <g fill="var(--skin)" stroke="var(--skin-edge)" strokeWidth="0.14" strokeLinejoin="round">
        <path d={smoothPath(thumb.map(flip))} />
        {shape.fingers.map(([from, to, half], index) => {
          const [x1, y1] = flip(from)
          const [x2, y2] = flip(to)
          return (
            <path
              key={index}
              d={`M${x1} ${y1 - half} L${x2 + half} ${y2 - half} A${half} ${half} 0 0 0 ${x2 + half} ${y2 + half} L${x1} ${y1 + half} Z`}
            />
          )
        })}
        <path d={smoothPath(shape.outline.map(flip))} stroke="none" />
        <path d={smoothPath(shape.outline.slice(0, 6).map(flip))} fill="none" />
        <path d={smoothPath(shape.outline.slice(6).map(flip))} fill="none" />
      </g>
      {slab && layers.includes('slab') ? (
        <ArmSlab
          from={slab.fromCm}
          to={slab.toCm}
          shape={shape}
          flip={flip}
          isLit={lit.includes('slab')}
          wet={wetStateOf(wet, 'slab')}
          decision={slab.decision}
          onPick={onPick}
        />
      ) : null}
      {geometry.bands
        .filter((band) => band.kind === 'cut')
        .map((band, index) => (
          <path
            key={band.id}
            d={`M${flip([-4, 0])[0]} ${flip([0, (index - 0.5) * 2.4])[1]} H${flip([band.toCm, 0])[0]}`}
            stroke="var(--stop)"
            strokeWidth="0.25"
            strokeDasharray="0.9 0.6"
          />
        ))}
      {layers.includes('readings')
        ? geometry.stations.map((station) => {
            const half = shape.halfAt(station.atCm)
            const [x, y1] = flip([station.atCm, half])
            const [, y2] = flip([station.atCm, -half])
            const isLit = lit.includes(station.id)
            return (
              <g key={station.id} onClick={onPick ? () => onPick(station.id) : undefined} className={onPick ? 'cursor-pointer' : ''}>
                <path d={`M${x} ${y1} Q${x - 0.9} ${(y1 + y2) / 2} ${x} ${y2}`} fill="none" stroke="transparent" strokeWidth="1.8" />
                {isLit ? (
                  <path
                    d={`M${x} ${y1} Q${x - 0.9} ${(y1 + y2) / 2} ${x} ${y2}`}
                    fill="none"
                    stroke="var(--citrus)"
                    strokeWidth="0.8"
                    opacity="0.85"
                  />
                ) : null}
                <path
                  d={`M${x} ${y1} Q${x - 0.9} ${(y1 + y2) / 2} ${x} ${y2}`}
                  fill="none"
                  stroke={isLit ? 'var(--ink)' : 'var(--skin-edge)'}
                  strokeWidth="0.16"
                  strokeDasharray={station.from === 'estimated' ? '0.35 0.35' : undefined}
                />
                {station.from === 'measured' || isLit ? (
                  <text x={x} y={Math.min(y1, y2) - 0.6} textAnchor="middle" className="arm-text fill-ink">
                    {formatLength(station.girthCm, units)}
                  </text>
                ) : null}
              </g>
            )
          })
        : null}
      {geometry.marks
        .filter((mark) => lit.includes(mark.id) || mark.kind === 'injury' || layers.includes('points'))
        .map((mark) => {
          const [x, y] = flip([mark.atCm, mark.kind === 'pulse' ? shape.halfAt(mark.atCm) * 0.5 : 0])
          return (
            <g key={mark.id}>
              <circle
                cx={x}
                cy={y}
                r={lit.includes(mark.id) ? 0.9 : 0.45}
                fill={mark.kind === 'injury' ? 'var(--stop)' : lit.includes(mark.id) ? 'var(--citrus)' : 'var(--ink)'}
                stroke="var(--ink)"
                strokeWidth="0.08"
              />
              <text x={x} y={y + 1.9} textAnchor="middle" className="arm-text fill-ink">
                {mark.label}
              </text>
            </g>
          )
        })}
      {hands.map((hand) => {
        const spot = armHandSpot(hand.place, shape)
        return spot ? <HandMark key={hand.place} hand={hand} at={flip(spot)} scale={0.8} textClass="arm-text" /> : null
      })}
      {side ? (
        <text x={width - pad.right} y="2" textAnchor="end" className="arm-text fill-ink font-bold">
          {side.toUpperCase()}
          {geometry.side && geometry.side !== side ? `, sound side (injured: ${geometry.side})` : ''}
        </text>
      ) : null}
    </svg>
  )
}

function ArmSlab({
  from,
  to,
  shape,
  flip,
  isLit,
  wet,
  decision,
  onPick,
}: {
  from: number
  to: number
  shape: ArmShape
  flip: (point: Point) => Point
  isLit: boolean
  wet: WetState | undefined
  decision: string | null
  onPick: LaneProps['onPick']
}) {
  const at = (share: number): number => from + (to - from) * share
  const edge = (sign: 1 | -1): Point[] => [0, 0.25, 0.5, 0.75, 1].map((share): Point => [at(share), sign * shape.halfAt(at(share)) * 0.8])
  return (
    <path
      d={smoothPath([...edge(1), ...edge(-1).reverse()].map(flip), true, 0.1)}
      fill={wetFill[wet ?? 'set']}
      fillOpacity="0.75"
      stroke={isLit ? 'var(--citrus-deep)' : 'var(--slab-edge)'}
      strokeWidth="0.2"
      onClick={onPick && decision ? () => onPick(decision) : undefined}
      className={onPick && decision ? 'cursor-pointer' : ''}
    />
  )
}
