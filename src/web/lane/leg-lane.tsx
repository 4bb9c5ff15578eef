import { memo, useCallback, useId, useMemo, type CSSProperties } from 'react'
import { formatLength } from '#core/planner/format-decision'
import { HandMark, type LaneHand } from './lane-hand'
import { LaneRuler } from './lane-ruler'
import { LegBands } from './leg-bands'
import { xOfTap } from './level-of-tap'
import { shapeLeg, type DrawnStation, type LegShape } from './leg-shape'
import type { LaneProps } from './lane-props'
import { smoothPath, type Point } from './smooth-path'
import { wetFill, wetStateOf } from './wet-legend'
import type { WetState } from '#core/runs/wet-now'

const pad = { left: 7, right: 2.5 }
/** The length at which lettering has its own size; a longer leg is drawn smaller and lettered larger, so that it stays legible. */
const plainWidthCm = 52

/** The leg from the side, heel down, toes up, to scale with a ruler. */
export function LegLane({ geometry, units, layers, lit = [], drawnSide, hands = [], wet, onPick, onLevel }: LaneProps) {
  const shape = useMemo(() => shapeLeg(geometry), [geometry])
  const id = useId()
  const { maxX, minY, maxY } = shape.bounds
  const minX = Math.min(shape.bounds.minX, ...geometry.bands.filter((band) => band.kind === 'bar').map((band) => band.fromCm - 1))
  const width = maxX - minX + pad.left + pad.right
  const scale = Math.max(1, width / plainWidthCm)
  const top = 3.4 * scale
  const height = maxY - minY + top + 3.4 * scale
  // The same function for the same shape, so that what did not change is not drawn again.
  const flip = useCallback(([x, y]: Point): Point => [x - minX + pad.left, maxY - y + top], [minX, maxY, top])
  const side = drawnSide ?? geometry.side
  const label = `${side ?? ''} leg from the side, drawn to scale from its readings`.trim()
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
      style={{ '--lane-scale': scale } as CSSProperties}
      onClick={onLevel ? (event) => onLevel(xOfTap(event) - pad.left + minX) : undefined}
      className={`mx-auto block max-h-[24dvh] w-full select-none sm:max-h-[30dvh] lg:max-h-[48dvh] ${onLevel ? 'cursor-crosshair' : ''}`}
    >
      <defs>
        <linearGradient id={`${id}-skin`} x1="0" y1="0" x2="0" y2="1">
          <stop offset="0" stopColor="var(--skin)" stopOpacity="0.75" />
          <stop offset="0.45" stopColor="var(--skin)" />
          <stop offset="1" stopColor="var(--skin-edge)" stopOpacity="0.55" />
        </linearGradient>
        <linearGradient id={`${id}-fade`} x1="0" x2="1" y1="0" y2="0">
          <stop offset="0.9" stopColor="#fff" />
          <stop offset="1" stopColor="#fff" stopOpacity="0" />
        </linearGradient>
        <mask id={`${id}-mask`} maskUnits="userSpaceOnUse" x="0" y="0" width={width} height={height}>
          <rect width={width} height={height} fill={`url(#${id}-fade)`} />
        </mask>
      </defs>
      <LaneRuler fromX={pad.left - minX} lengthCm={maxX - pad.right} y={height - 1.5 * scale} units={units} scale={scale} />
      <g mask={`url(#${id}-mask)`}>
        {layers.includes('padding') ? <Padding path={smoothPath(shape.outline.map(flip))} /> : null}
        <path
          d={smoothPath(shape.outline.map(flip))}
          fill={`url(#${id}-skin)`}
          stroke="var(--skin-edge)"
          strokeWidth="0.16"
          strokeLinejoin="round"
        />
        <Anatomy shape={shape} flip={flip} />
        {layers.includes('slab') ? <Slab shape={shape} flip={flip} geometry={geometry} wet={wetStateOf(wet, 'slab')} /> : null}
        {layers.includes('bandage') ? <Bandage shape={shape} flip={flip} geometry={geometry} isLit={lit.includes('bandage')} /> : null}
      </g>
      <LegBands geometry={geometry} shape={shape} flip={flip} lit={lit} wet={wet} onPick={onPick} />
      {layers.includes('readings')
        ? shape.stations.map((drawn) => (
            <StationRing
              key={drawn.station.id}
              drawn={drawn}
              flip={flip}
              isLit={lit.includes(drawn.station.id)}
              text={formatLength(drawn.station.girthCm, units)}
              onPick={onPick}
            />
          ))
        : null}
      <Marks shape={shape} flip={flip} geometry={geometry} lit={lit} isFull={layers.includes('points')} />
      {hands.map((hand) => {
        const spot = legHandSpot(hand.place, geometry, shape)
        return spot ? <HandMark key={hand.place} hand={hand} at={flip(spot)} scale={scale} textClass="lane-small" /> : null
      })}
      <SideSign side={side} injured={geometry.side} x={width - pad.right} scale={scale} />
    </svg>
  )
}

/** Where hands go on the leg, in its own centimetres; those that fetch are nowhere on it. */
function legHandSpot(place: LaneHand['place'], geometry: LaneProps['geometry'], shape: LegShape): Point | null {
  const topCm = geometry.axes.find((axis) => axis.id === 'leg')?.lengthCm ?? 45
  const kneeCm = geometry.stations.find((one) => one.id === 'knee')?.atCm ?? topCm
  const over = ([x, y]: Point, byCm: number): Point => [x, y + byCm]
  switch (place) {
    case 'apply':
      return over(shape.placeAt('leg', Math.min(topCm, kneeCm) * 0.45, 'front'), 1.5)
    case 'hold-distal':
      return over(shape.placeAt('foot', 6, 'front'), 0.5)
    case 'hold-joint':
      return over(shape.placeAt('leg', Math.min(kneeCm, topCm - 4), 'back'), -0.5)
    case 'hold-proximal':
      return over(shape.placeAt('leg', topCm - 3, 'back'), -0.5)
    case 'fetch':
      return null
  }
}

interface Part {
  readonly shape: LegShape
  readonly flip: (point: Point) => Point
}

const Anatomy = memo(function Anatomy({ shape, flip }: Part) {
  const [mx, my] = flip(shape.malleolus)
  const [a, b] = shape.toenail.map(flip) as [Point, Point]
  return (
    <g fill="none" stroke="var(--skin-edge)" strokeWidth="0.13" strokeLinecap="round" opacity="0.75">
      <path d={`M${mx - 1.1} ${my + 0.5} a1.25 1.15 0 1 1 2.1 0.3`} />
      <path d={`M${a[0]} ${a[1]} L${b[0]} ${b[1]}`} strokeWidth="0.3" opacity="0.5" />
      {shape.kneecap ? <ellipse cx={flip(shape.kneecap)[0]} cy={flip(shape.kneecap)[1]} rx="2.1" ry="1" opacity="0.6" /> : null}
    </g>
  )
})

const Padding = memo(function Padding({ path }: { path: string }) {
  return (
    <g fill="none" strokeLinejoin="round">
      <path d={path} stroke="var(--soft)" strokeWidth="1.3" opacity="0.55" />
      <path d={path} stroke="var(--wool)" strokeWidth="1.1" />
    </g>
  )
})

const Slab = memo(function Slab({ shape, flip, geometry, wet }: Part & { geometry: LaneProps['geometry']; wet: WetState | undefined }) {
  const band = geometry.bands.find((one) => one.kind === 'slab')
  if (!band) return null
  const path = smoothPath(shape.back.filter(([x]) => x <= band.toCm + 0.6).map(flip))
  return (
    <g fill="none" strokeLinejoin="round" strokeLinecap="butt">
      <path d={path} stroke="var(--slab-edge)" strokeWidth="1.5" />
      <path d={path} stroke={wetFill[wet ?? 'set']} strokeWidth="1.15" />
    </g>
  )
})

const Bandage = memo(function Bandage({ shape, flip, geometry, isLit }: Part & { geometry: LaneProps['geometry']; isLit: boolean }) {
  const band = geometry.bands.find((one) => one.kind === 'bandage')
  if (!band) return null
  const turns: string[] = []
  for (let at = 8; at < band.toCm - 1; at += 3) {
    const [x1, y1] = flip(shape.placeAt('leg', at, 'back'))
    const [x2, y2] = flip(shape.placeAt('leg', at + 2.4, 'front'))
    turns.push(`M${x1} ${y1} Q${(x1 + x2) / 2 - 0.5} ${(y1 + y2) / 2} ${x2} ${y2}`)
  }
  return (
    <path
      d={turns.join(' ')}
      fill="none"
      stroke={isLit ? 'var(--citrus-deep)' : 'var(--soft)'}
      strokeWidth={isLit ? 0.3 : 0.14}
      strokeLinecap="round"
      opacity="0.8"
    />
  )
})

function StationRing({
  drawn,
  flip,
  isLit,
  text,
  onPick,
}: {
  drawn: DrawnStation
  flip: Part['flip']
  isLit: boolean
  text: string
  onPick: LaneProps['onPick']
}) {
  const [x1, y1] = flip(drawn.front)
  const [x2, y2] = flip(drawn.back)
  const { station } = drawn
  const isFoot = station.axis === 'foot'
  const isEstimated = station.from === 'estimated'
  const bend = isFoot ? 0.9 : 1.1
  const isHeel = station.id === 'heel-instep'
  const [lx, ly] = isHeel ? [x2 - 0.7, y2 + 0.6] : isFoot ? [x1 + 0.5, y1 - 0.2] : [x1, y1 - 0.9]
  const curve = `M${x1} ${y1} Q${(x1 + x2) / 2 - (isFoot ? 0 : bend)} ${(y1 + y2) / 2 - (isFoot ? bend : 0)} ${x2} ${y2}`
  return (
    <g onClick={onPick ? () => onPick(station.id) : undefined} className={onPick ? 'cursor-pointer' : ''}>
      <path d={curve} fill="none" stroke="transparent" strokeWidth="2.4" />
      {isLit ? <path d={curve} fill="none" stroke="var(--citrus)" strokeWidth="1" strokeLinecap="round" opacity="0.85" /> : null}
      <path
        d={curve}
        fill="none"
        stroke={isLit ? 'var(--ink)' : 'var(--skin-edge)'}
        strokeWidth={isLit ? 0.28 : 0.18}
        strokeDasharray={isEstimated ? '0.4 0.4' : undefined}
      />
      {!isEstimated || isLit ? (
        <text x={lx} y={ly} textAnchor={isHeel ? 'end' : isFoot ? 'start' : 'middle'} className="lane-text fill-ink">
          {text}
        </text>
      ) : null}
    </g>
  )
}

function Marks({
  shape,
  flip,
  geometry,
  lit,
  isFull,
}: Part & { geometry: LaneProps['geometry']; lit: readonly string[]; isFull: boolean }) {
  return (
    <g>
      {geometry.marks
        .filter((mark) => isFull || mark.kind === 'injury' || lit.includes(mark.id))
        .map((mark) => {
          const face = mark.id === 'heel-cord' ? 'back' : 'front'
          const front = flip(shape.placeAt(mark.axis, mark.atCm, face))
          const middle = flip(shape.placeAt(mark.axis, mark.atCm, face === 'back' ? 'front' : 'back'))
          const isMiddle = mark.id === 'malleoli' || mark.id === 'fibular-neck' || mark.kind === 'injury'
          const [x, y] =
            mark.id === 'malleoli' ? flip(shape.malleolus) : isMiddle ? [(front[0] + middle[0]) / 2, (front[1] + middle[1]) / 2] : front
          const isLit = lit.includes(mark.id)
          return (
            <g key={mark.id} transform={`translate(${x} ${y})`}>
              {isLit ? <circle r="1.5" fill="var(--citrus)" opacity="0.8" /> : null}
              {mark.kind === 'injury' ? (
                <path
                  d="M-0.9 -1.6 L0.3 -0.3 L-0.5 0.2 L0.8 1.7"
                  fill="none"
                  stroke="var(--stop)"
                  strokeWidth="0.42"
                  strokeLinejoin="round"
                />
              ) : (
                <circle r="0.42" fill={isLit ? 'var(--ink)' : 'var(--skin-edge)'} />
              )}
              {isLit || isFull ? (
                <text y={face === 'back' ? 2.4 : mark.kind === 'injury' ? 3.4 : -1.9} textAnchor="middle" className="lane-text fill-ink">
                  {mark.label}
                </text>
              ) : null}
            </g>
          )
        })}
    </g>
  )
}

function SideSign({ side, injured, x, scale }: { side: string | undefined; injured: string | undefined; x: number; scale: number }) {
  if (!side) return null
  const isSound = injured !== undefined && injured !== side
  return (
    <g>
      <text x={x} y={2 * scale + 0.4} textAnchor="end" className="lane-side fill-ink">
        {side.toUpperCase()}
        {isSound ? ', sound side' : ''}
      </text>
      {isSound ? (
        <text x={x} y={4 * scale + 0.6} textAnchor="end" className="lane-text" fill="var(--stop)">
          injured: {injured}
        </text>
      ) : null}
    </g>
  )
}
