import { useMemo, useRef, type PointerEvent } from 'react'
import type { Geometry, GeometryScene, ScenePoint } from '#core/model/geometry'
import { useNarrow } from '../parts/use-narrow'
import type { Point } from '#core/drawing/points'
import { textWidthPx } from './kit/text-width'
import { placeNames, type Box } from './scene-labels'
import { SceneLeg } from './scene-leg'

const marginCm = 8
/** Longest arrow, cm: the greatest force; the others to the same scale. */
const longestArrowCm = 30

/**
 * Bed, beam, pulleys, cords in their order, weights and forces round a leg in pull, seen from the side and to scale.
 * @param onCarried the carried pulley can be taken along the bars, cm from the groin
 */
export function TractionScene({
  scene: asPulled,
  limb,
  onCarried,
}: {
  scene: GeometryScene
  /** Of the leg that is pulled. */
  limb: Geometry
  onCarried?: (atCm: number) => void
}) {
  const scene = useMemo(() => mirrored(asPulled), [asPulled])
  const isNarrow = useNarrow()
  const frame = useRef<SVGSVGElement>(null)
  const extent = extentOf(scene)
  const { minX, maxX, minY } = extent
  const width = maxX - minX
  const size = width / (isNarrow ? 24 : 40)
  // Room for the beam's name over the numbers along the cord.
  const maxY = extent.maxY + size * 2
  const height = maxY - minY
  const named = lineNames(scene, { minX, maxY, width, size })
  const at = ([x, y]: ScenePoint): string => `${(x - minX).toFixed(1)} ${(maxY - y).toFixed(1)}`
  const drag = (event: PointerEvent): void => {
    const box = frame.current?.getBoundingClientRect()
    if (!onCarried || !box || event.buttons === 0) return
    onCarried(-Math.round(minX + ((event.clientX - box.left) / box.width) * width))
  }
  return (
    <div>
      <svg
        ref={frame}
        viewBox={`0 0 ${width.toFixed(1)} ${height.toFixed(1)}`}
        role="img"
        aria-label={sceneWords(scene)}
        className="block w-full select-none"
        style={{ fontSize: size }}
      >
        <SceneLeg geometry={limb} limbCm={scene.limbCm} toPage={([x, y]) => [-x - minX, maxY - y]} />
        {scene.lines.map((line) => (
          <path
            key={line.id}
            d={line.points.map((point, index) => `${index === 0 ? 'M' : 'L'}${at(point)}`).join(' ')}
            fill="none"
            stroke={line.kind === 'cord' ? 'var(--stop)' : line.kind === 'bar' ? 'var(--slab-edge)' : 'var(--soft)'}
            strokeWidth={{ cord: 0.9, bar: 2.2, beam: 2.6, bed: 2 }[line.kind]}
            strokeLinecap="round"
            strokeLinejoin="round"
          >
            <title>{line.label}</title>
          </path>
        ))}
        <CordOrder scene={scene} at={at} size={size} />
        {scene.rounds.map((round) => {
          const isCarried = round.kind === 'carried-pulley' && onCarried !== undefined
          return (
            <g
              key={round.id}
              onPointerDown={isCarried ? (event) => event.currentTarget.setPointerCapture(event.pointerId) : undefined}
              onPointerMove={isCarried ? drag : undefined}
              className={isCarried ? 'cursor-ew-resize touch-none' : ''}
            >
              <title>{round.label}</title>
              {isCarried ? <circle cx={round.at[0] - minX} cy={maxY - round.at[1]} r="11" fill="transparent" /> : null}
              <circle
                cx={round.at[0] - minX}
                cy={maxY - round.at[1]}
                r={round.kind === 'ring' || round.kind === 'socket' ? 5 : 3.4}
                fill={round.kind === 'carried-pulley' ? 'var(--citrus)' : 'var(--sheet)'}
                stroke="var(--ink)"
                strokeWidth="1.1"
              />
            </g>
          )
        })}
        {scene.weights.map((weight) => (
          <g key={weight.id}>
            <path
              d={`M${at([weight.at[0] - 6, weight.at[1]])} L${at([weight.at[0] + 6, weight.at[1]])} L${at([weight.at[0] + 7.5, weight.at[1] - 12])} L${at([weight.at[0] - 7.5, weight.at[1] - 12])} Z`}
              fill="var(--ink)"
            />
            <text x={weight.at[0] - minX} y={maxY - weight.at[1] + 13 + size} textAnchor="middle" className="fill-ink font-bold">
              {weight.kg.toFixed(1)} kg
            </text>
          </g>
        ))}
        {named.map(({ id, label, baseline, box }) => (
          <text key={id} x={box.left} y={baseline} className="fill-soft" style={halo}>
            {label}
          </text>
        ))}
        <Arrows
          scene={scene}
          at={at}
          minX={minX}
          maxY={maxY}
          page={{ left: 0, top: 0, width, height }}
          size={size}
          named={named.map(({ box }) => box)}
        />
      </svg>
      <SceneLegend scene={scene} />
    </div>
  )
}

/** Text that stays legible where it lies on a line. */
const halo = { paintOrder: 'stroke', stroke: 'var(--sheet)', strokeWidth: '0.25em', strokeLinejoin: 'round' } as const

/** Numbers along the suspension cord: the order in which it is threaded. Under what the cord runs under, above all else. */
function CordOrder({ scene, at, size }: { scene: GeometryScene; at: (point: ScenePoint) => string; size: number }) {
  const cord = scene.lines.find((line) => line.id === 'suspension')
  const highest = Math.max(...(cord?.points ?? []).map((point) => point[1]))
  return cord?.points.slice(0, -1).map((point, index) => {
    const isUnder = point[1] < highest - 10
    const [x = '0', y = '0'] = at([point[0], point[1] + (isUnder ? -5 - size : 4 + size * 0.4)]).split(' ')
    return (
      <text key={index} x={x} y={y} textAnchor="middle" className="fill-stop font-bold" style={halo}>
        {index + 1}
      </text>
    )
  })
}

/** Names of bed and beam, each with the box that it takes up beside its line. */
function lineNames(scene: GeometryScene, { minX, maxY, width, size }: { minX: number; maxY: number; width: number; size: number }) {
  return scene.lines.flatMap((line) => {
    const [first, last] = [line.points[0], line.points.at(-1)]
    if (!first || !last || (line.kind !== 'beam' && line.kind !== 'bed')) return []
    const wide = textWidthPx(line.label, size)
    // A bed is named under its middle: at its head end the ring has its words, at its foot end the weight.
    const [x, y] = line.kind === 'beam' ? first : [(first[0] + last[0]) / 2 - wide / 2, (first[1] + last[1]) / 2]
    const left = Math.max(0, Math.min(x - minX, width - wide))
    const slope = Math.abs((last[1] - first[1]) / (last[0] - first[0] || 1))
    const baseline = maxY - y + (line.kind === 'beam' ? -4 - size * 1.9 : size * 1.3 + (slope * wide) / 2)
    return [{ id: line.id, label: line.label, baseline, box: { left, top: baseline - size, width: wide, height: size * 1.3 } }]
  })
}

/** A thin line from a name to what it names, where that is not right beside it. */
function NameLine({ box, to: [x, y], size }: { box: Box; to: Point; size: number }) {
  const nearX = Math.max(box.left, Math.min(x, box.left + box.width))
  const nearY = Math.max(box.top, Math.min(y, box.top + box.height))
  if (Math.hypot(nearX - x, nearY - y) < size * 2) return null
  return <path d={`M${x} ${y} L${nearX} ${nearY}`} stroke="var(--soft)" strokeWidth="0.4" strokeDasharray="1.2 1" />
}

function Arrows({
  scene,
  at,
  minX,
  maxY,
  page,
  size,
  named,
}: {
  scene: GeometryScene
  at: (point: ScenePoint) => string
  minX: number
  maxY: number
  page: Box
  size: number
  /** Where other names stand already. */
  named: readonly Box[]
}) {
  const toPage = ([x, y]: ScenePoint): Point => [x - minX, maxY - y]
  const most = Math.max(1, ...scene.arrows.map((arrow) => Math.hypot(...arrow.forceN)))
  const arrows = scene.arrows.flatMap((arrow) => {
    const newton = Math.hypot(...arrow.forceN)
    if (newton < 0.5) return []
    const scale = longestArrowCm / most
    const tip: ScenePoint = [arrow.at[0] + arrow.forceN[0] * scale, arrow.at[1] + arrow.forceN[1] * scale]
    const words = `${arrow.label} ${newton.toFixed(0)} N`
    return [{ ...arrow, tip, words, width: textWidthPx(words, size) * 1.06 }]
  })
  const lines = [...scene.lines.map((line) => line.points.map(toPage)), ...arrows.map((arrow) => [toPage(arrow.at), toPage(arrow.tip)])]
  const round = size * 0.7
  const taken = [
    ...scene.rounds.map(({ at: middle }) => squareAt(toPage(middle), 5)),
    ...(scene.lines.find((line) => line.id === 'suspension')?.points ?? []).map((point) => squareAt(toPage(point), round * 2.2)),
    // The weight, and how heavy it is under it.
    ...scene.weights.map((weight) => squareAt(toPage([weight.at[0], weight.at[1] - 8]), 14)),
    ...scene.weights.map((weight) => {
      const [x, y] = toPage(weight.at)
      return { left: x - size * 2, top: y + 12, width: size * 4, height: size * 1.5 }
    }),
    ...named,
  ]
  const boxes = placeNames(
    arrows.map((arrow) => ({ id: arrow.id, at: toPage(arrow.tip), width: arrow.width })),
    lines,
    taken,
    page,
    size,
  )
  return arrows.map((arrow, index) => {
    const angle = Math.atan2(-(arrow.tip[1] - arrow.at[1]), arrow.tip[0] - arrow.at[0])
    const [x, y] = toPage(arrow.tip)
    const box = boxes[index] ?? squareAt([x, y], size)
    return (
      <g key={arrow.id}>
        <NameLine box={box} to={[x, y]} size={size} />
        <path d={`M${at(arrow.at)} L${at(arrow.tip)}`} stroke="var(--ink)" strokeWidth="1.6" />
        <path
          d="M0 0 L-5 2.6 L-5 -2.6 Z"
          fill="var(--ink)"
          transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) rotate(${((angle * 180) / Math.PI).toFixed(1)})`}
        />
        <text
          x={(box.left + box.width / 2).toFixed(1)}
          y={(box.top + box.height * 0.8).toFixed(1)}
          textAnchor="middle"
          className="fill-ink font-semibold"
          style={halo}
        >
          {arrow.words}
        </text>
      </g>
    )
  })
}

function squareAt([x, y]: Point, half: number): Box {
  return { left: x - half, top: y - half, width: 2 * half, height: 2 * half }
}

/** What the numbers along the cord are, in its order, and the other circles. */
function SceneLegend({ scene }: { scene: GeometryScene }) {
  const cord = scene.lines.find((line) => line.id === 'suspension')
  const roundAt = ([x, y]: ScenePoint) => scene.rounds.find((round) => Math.hypot(round.at[0] - x, round.at[1] - y) < 0.5)
  const stops = (cord?.points.slice(0, -1) ?? []).map((point) => roundAt(point)?.label ?? 'Knot on the beam')
  const others = scene.rounds.filter((round) => !cord?.points.some((point) => roundAt(point) === round))
  return (
    <div className="px-1 pb-1 text-[0.95rem]">
      {stops.length > 0 ? (
        <ol aria-label="The cord, in its order" className="flex flex-wrap gap-x-4">
          {stops.map((label, index) => (
            <li key={`${index} ${label}`}>
              <strong className="numeral text-stop">{index + 1}</strong> {label}
            </li>
          ))}
        </ol>
      ) : null}
      {others.length > 0 ? (
        <p className="text-soft">
          {stops.length > 0 ? 'Other circles' : 'Circles'}: {others.map((round) => round.label.toLowerCase()).join(', ')}.
        </p>
      ) : null}
    </div>
  )
}

/** The scene as the lane lies, foot to the left: two pictures of one leg face the same way. */
function mirrored(scene: GeometryScene): GeometryScene {
  const flip = ([x, y]: ScenePoint): ScenePoint => [-x, y]
  return {
    ...scene,
    lines: scene.lines.map((line) => ({ ...line, points: line.points.map(flip) })),
    rounds: scene.rounds.map((round) => ({ ...round, at: flip(round.at) })),
    weights: scene.weights.map((weight) => ({ ...weight, at: flip(weight.at) })),
    arrows: scene.arrows.map((arrow) => ({ ...arrow, at: flip(arrow.at), forceN: flip(arrow.forceN) })),
  }
}

function extentOf(scene: GeometryScene): { minX: number; maxX: number; minY: number; maxY: number } {
  const points = [
    ...scene.lines.flatMap((line) => line.points),
    ...scene.weights.flatMap((weight) => [[weight.at[0] - 12, weight.at[1] - 26] as const, [weight.at[0] + 12, weight.at[1]] as const]),
    [30, -18] as const,
    [-scene.limbCm - 40, 24] as const,
  ]
  const xs = points.map((point) => point[0])
  const ys = points.map((point) => point[1])
  return {
    minX: Math.min(...xs) - marginCm,
    maxX: Math.max(...xs) + marginCm,
    minY: Math.min(...ys) - marginCm,
    maxY: Math.max(...ys) + marginCm + 10,
  }
}

/** The scene in words: what is drawn, and every force. */
function sceneWords(scene: GeometryScene): string {
  const forces = scene.arrows.map((arrow) => `${arrow.label} ${Math.hypot(...arrow.forceN).toFixed(0)} N`)
  const weights = scene.weights.map((weight) => `${weight.label} ${weight.kg.toFixed(1)} kg`)
  return ['The pull from the side, to scale', ...weights, ...forces].join('; ')
}
