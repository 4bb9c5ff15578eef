import { memo, useId, useMemo } from 'react'
import type { Geometry, GeometryMark } from '#core/model/geometry'
import { placeOnLeg } from '#core/drawing/site-places'
import { FindingMarks, findingsInWords, findingWishes, placeFindings } from './kit/finding-marks'
import { girthLook, girthSource, girthText } from './kit/girth-text'
import { HandMark, type LaneHand } from './kit/lane-hand'
import { LaneFrame } from './kit/lane-frame'
import type { LabelWish, Rail } from './kit/lay-frame'
import { Landmark, TapeLine } from './kit/overlays'
import { heightAt, type Bounds, type Point } from '#core/drawing/points'
import { Creases, FadeMask, Form, SkinPaints } from './kit/skin'
import { smoothPath } from '#core/drawing/smooth-path'
import { LegBands } from './leg-bands'
import { shapeLeg, type LegShape } from '#core/drawing/leg-shape'
import type { Site } from '#core/rounds/item-sites'
import type { LimbFinding } from '#core/standing/findings-on-limb'
import type { LaneProps } from './lane-props'
import { fillOfBand } from './wet-look'

const down = ([x, y]: Point): Point => [x, -y]
const noFindings: readonly LimbFinding[] = []
/** Findings whose names stand under the leg, and beside the sole; the others stand over it. */
const isUnderLeg: readonly Site[] = ['muscle', 'heel', 'device-edge']
const isAtSole: readonly Site[] = ['sole', 'toes', 'great-toe', 'outer-foot', 'first-web', 'foot-pulse', 'top-of-foot']

/** The leg from the side, heel down, toes up, to scale with a ruler. */
export function LegLane({
  geometry,
  units,
  layers,
  off = [],
  lit = [],
  drawnSide,
  hands = [],
  wet,
  notes = {},
  findings = noFindings,
  sitesInHand,
  onFinding,
  onPick,
  onLevel,
}: LaneProps) {
  const shape = useMemo(() => shapeLeg(geometry), [geometry])
  const id = useId()
  const side = drawnSide ?? geometry.side
  const marks = geometry.marks.filter((mark) => layers.includes('points') || mark.kind === 'injury' || lit.includes(mark.id))
  const bounds = useMemo(() => frameBounds(geometry, shape), [geometry, shape])
  const isNamed = (mark: GeometryMark): boolean => layers.includes('points') || lit.includes(mark.id)
  const siteAt = (finding: LimbFinding): Point | null => placeOnLeg(finding.site, geometry, shape)
  const stations = layers.includes('readings') ? shape.stations : []
  const wishes: readonly LabelWish[] = [
    ...stations.map(({ station, front, back }): LabelWish => {
      const isFoot = station.axis === 'foot' || station.id === 'heel-instep'
      return {
        id: station.id,
        rail: isFoot ? 'sole' : 'top',
        text: [girthText(station, units, side), notes[station.id]?.words].filter(Boolean).join(', '),
        at: isFoot ? back : front,
        isHidden: station.from === 'estimated' && !lit.includes(station.id) && !notes[station.id],
        look: girthLook(station),
      }
    }),
    ...marks
      .filter(isNamed)
      .map((mark): LabelWish => ({ id: mark.id, rail: isBehind(mark) ? 'under' : 'top', text: mark.label, at: markPlace(mark, shape) })),
    ...hands.flatMap((hand): readonly LabelWish[] => {
      const at = legHandSpot(hand, geometry, shape)
      return at
        ? [
            {
              id: hand.place,
              rail: hand.place === 'apply' || hand.place === 'hold-distal' ? 'top' : 'under',
              text: hand.label,
              at,
              look: 'hand',
            },
          ]
        : []
    }),
    ...findingWishes(findings, siteAt, ({ site }) => (isUnderLeg.includes(site) ? 'under' : isAtSole.includes(site) ? 'sole' : 'top')),
  ]
  const box = { x: bounds.minX, y: -bounds.maxY, width: bounds.maxX - bounds.minX, height: bounds.maxY - bounds.minY }
  return (
    <LaneFrame
      name={`${side ?? ''} leg from the side, drawn to scale from its readings${findingsInWords(findings)}`.trim()}
      figures={useMemo(() => [{ id: 'leg', bounds }], [bounds])}
      rails={useMemo(() => railsOf(geometry, shape, bounds), [geometry, shape, bounds])}
      wishes={wishes}
      units={units}
      ruler={{ lies: 'under', lengthCm: shape.bounds.maxX }}
      side={side}
      injuredSide={geometry.side}
      onTap={onLevel ? ([atCm]) => onLevel(atCm) : undefined}
      onPick={onPick}
      over={({ place }) => (
        <>
          {hands.map((hand) => {
            const at = legHandSpot(hand, geometry, shape)
            return at ? <HandMark key={hand.place} isActive={hand.isActive} at={place('leg', at)} /> : null
          })}
          <FindingMarks placed={placeFindings(findings, siteAt, (at) => place('leg', at))} inHand={sitesInHand} onPick={onFinding} />
        </>
      )}
    >
      {() => (
        <SkinPaints id={id} fromY={-shape.legFrontY} toY={-shape.bounds.minY}>
          <FadeMask id={id} box={box} towards="right" overCm={6} />
          <g mask={`url(#${id}-mask)`}>
            {layers.includes('padding') ? <Padding path={smoothPath(shape.outline.map(down))} /> : null}
            <Skin shape={shape} />
            {layers.includes('slab') && !off.includes('slab') ? (
              <Slab shape={shape} geometry={geometry} fill={fillOfBand(wet, 'slab')} />
            ) : null}
            {layers.includes('bandage') ? <Bandage shape={shape} geometry={geometry} isLit={lit.includes('bandage')} /> : null}
          </g>
          <LegBands id={id} geometry={geometry} shape={shape} flip={down} off={off} lit={lit} wet={wet} onPick={onPick} />
          {stations.map(({ station, front, back }) => (
            <TapeLine
              key={station.id}
              from={down(front)}
              to={down(back)}
              bend={station.axis === 'foot' ? [0, -0.9] : [-1.1, 0]}
              source={girthSource(station, side)}
              isLit={lit.includes(station.id)}
              tone={notes[station.id]?.tone}
              onPick={onPick ? () => onPick(station.id) : undefined}
            />
          ))}
          {marks.map((mark) => (
            <Landmark key={mark.id} at={down(markPlace(mark, shape))} kind={mark.kind} isLit={lit.includes(mark.id)} />
          ))}
        </SkinPaints>
      )}
    </LaneFrame>
  )
}

/** The leg and what stands off it: bars beyond the foot, a ring and a cord above the groin. */
function frameBounds(geometry: Geometry, shape: LegShape): Bounds {
  const bars = geometry.bands.filter((band) => band.kind === 'bar' && band.fromCm <= 0)
  const thickness = 1.6
  return {
    minX: Math.min(shape.bounds.minX - thickness, ...bars.map((band) => band.fromCm - 1)),
    maxX: shape.bounds.maxX,
    minY: shape.bounds.minY - (bars.length > 0 ? 3 : thickness),
    maxY: shape.bounds.maxY + 0.6,
  }
}

/** Labels stand above the shin, under the calf, and beside the sole. */
function railsOf(geometry: Geometry, shape: LegShape, bounds: Bounds): readonly Rail[] {
  const standsUp = geometry.bands.some((band) => band.id === 'suspension')
    ? 5
    : geometry.bands.some((band) => band.kind === 'ring')
      ? 2.6
      : 1.4
  const topCm = shape.legFrontY + standsUp
  // Where the foot stands higher than the labels do, up to where its outline comes down to them.
  const foot = shape.outline.flatMap(([x, y], index): readonly number[] => {
    const [nextX, nextY] = shape.outline[index + 1] ?? [x, y]
    if (y <= topCm && nextY <= topCm) return []
    return y > topCm && nextY > topCm ? [x] : [x + ((topCm - y) / (nextY - y)) * (nextX - x)]
  })
  return [
    { id: 'top', figure: 'leg', grows: 'up', atCm: topCm, fromCm: Math.max(0, ...foot) + 1.6 },
    { id: 'under', figure: 'leg', grows: 'down', atCm: bounds.minY },
    { id: 'sole', figure: 'leg', grows: 'left', atCm: bounds.minX },
  ]
}

const behind = new Set(['heel-cord', 'malleoli', 'fibular-neck'])
const isBehind = (mark: GeometryMark): boolean => behind.has(mark.id)

/** Where a landmark lies: on the shin, behind the heel, or in the middle of the limb. */
function markPlace(mark: GeometryMark, shape: LegShape): Point {
  if (mark.id === 'malleoli') return shape.malleolus
  const [front, back] = [shape.placeAt(mark.axis, mark.atCm, 'front'), shape.placeAt(mark.axis, mark.atCm, 'back')]
  if (mark.id === 'heel-cord') return back
  return mark.id === 'fibular-neck' || mark.kind === 'injury' ? [(front[0] + back[0]) / 2, (front[1] + back[1]) / 2] : front
}

/** Where hands go on the leg, in its own centimetres; those that fetch are nowhere on it. */
function legHandSpot({ place, on }: LaneHand, geometry: Geometry, shape: LegShape): Point | null {
  const topCm = geometry.axes.find((axis) => axis.id === 'leg')?.lengthCm ?? 45
  const kneeCm = geometry.stations.find((station) => station.id === 'knee')?.atCm ?? topCm
  const over = ([x, y]: Point, byCm: number): Point => [x, y + byCm]
  if (on?.axis === 'foot') return over(shape.placeAt('foot', Math.max(on.atCm, 4), 'front'), 0)
  if (on?.axis === 'leg') return over(shape.placeAt('leg', Math.min(on.atCm, topCm - 3), 'back'), 1)
  switch (place) {
    case 'apply':
      return over(shape.placeAt('leg', Math.min(topCm, kneeCm) * 0.45, 'front'), -1)
    case 'hold-distal':
      return over(shape.placeAt('foot', 6, 'front'), 0.5)
    case 'hold-joint':
      return over(shape.placeAt('leg', Math.min(kneeCm, topCm - 4), 'back'), 1)
    case 'hold-proximal':
      return over(shape.placeAt('leg', topCm - 3, 'back'), 1)
    case 'fetch':
      return null
  }
}

const Skin = memo(function Skin({ shape }: { shape: LegShape }) {
  const [mx, my] = down(shape.malleolus)
  const [a, b] = shape.toenail.map(down) as [Point, Point]
  const calf =
    shape.outline.length > 0
      ? heightAt(
          [...shape.back].reverse().filter(([x]) => x > 12),
          26,
        )
      : 0
  return (
    <>
      <Form paths={[smoothPath(shape.outline.map(down), true)]} paint="skin" lineCm={0.09} />
      <Creases
        paths={[
          `M${mx - 1.1} ${my + 0.5} a1.25 1.15 0 1 1 2.1 0.3`,
          ...(shape.kneecap ? [ring(down(shape.kneecap), 2.1, 1)] : []),
          // The edge of the calf's muscle.
          `M${14} ${-calf * 0.55} Q22 ${-calf * 0.8} 30 ${-calf * 0.55}`,
        ]}
        opacity={0.55}
      />
      <Creases paths={[`M${a[0]} ${a[1]} L${b[0]} ${b[1]}`]} lineCm={0.3} opacity={0.5} />
    </>
  )
})

function ring([x, y]: Point, rx: number, ry: number): string {
  return `M${x - rx} ${y} a${rx} ${ry} 0 1 0 ${2 * rx} 0 a${rx} ${ry} 0 1 0 ${-2 * rx} 0`
}

const Padding = memo(function Padding({ path }: { path: string }) {
  return (
    <g fill="none" strokeLinejoin="round">
      <path d={path} stroke="var(--soft)" strokeWidth="1.3" opacity="0.55" />
      <path d={path} stroke="var(--wool)" strokeWidth="1.1" />
    </g>
  )
})

const Slab = memo(function Slab({ shape, geometry, fill }: { shape: LegShape; geometry: Geometry; fill: string }) {
  const band = geometry.bands.find((one) => one.kind === 'slab')
  if (!band) return null
  const path = smoothPath(shape.back.filter(([x]) => x <= band.toCm + 0.6).map(down))
  return (
    <g fill="none" strokeLinejoin="round" strokeLinecap="butt">
      <path d={path} stroke="var(--slab-edge)" strokeWidth="1.5" />
      <path d={path} stroke={fill} strokeWidth="1.15" />
    </g>
  )
})

const Bandage = memo(function Bandage({ shape, geometry, isLit }: { shape: LegShape; geometry: Geometry; isLit: boolean }) {
  const band = geometry.bands.find((one) => one.kind === 'bandage')
  if (!band) return null
  const turns: string[] = []
  for (let at = 8; at < band.toCm - 1; at += 3) {
    const [x1, y1] = down(shape.placeAt('leg', at, 'back'))
    const [x2, y2] = down(shape.placeAt('leg', at + 2.4, 'front'))
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
