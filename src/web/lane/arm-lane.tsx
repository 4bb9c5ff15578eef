import { useId, useMemo } from 'react'
import type { GeometryBand, GeometryMark } from '#core/model/geometry'
import { placeOnArm } from '#core/drawing/site-places'
import { FindingMarks, findingsInWords, findingWishes, placeFindings } from './kit/finding-marks'
import { girthLook, girthSource, girthText } from './kit/girth-text'
import { shapeArm, type ArmShape } from '#core/drawing/arm-shape'
import { HandMark, type LaneHand } from './kit/lane-hand'
import { LaneFrame } from './kit/lane-frame'
import type { LabelWish, Rail } from './kit/lay-frame'
import { Landmark, TapeLine } from './kit/overlays'
import type { Point } from '#core/drawing/points'
import { Creases, FadeMask, Form, SkinPaints } from './kit/skin'
import { smoothPath } from '#core/drawing/smooth-path'
import type { LimbFinding } from '#core/standing/findings-on-limb'
import type { LaneProps } from './lane-props'
import { fillOfBand } from './wet-look'

const down = ([x, y]: Point): Point => [x, -y]
const noFindings: readonly LimbFinding[] = []

/** The forearm from the palm side, to scale with a ruler, with what is laid over it. */
export function ArmLane({
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
  const side = drawnSide ?? geometry.side
  const shape = useMemo(() => shapeArm(geometry, side === 'right'), [geometry, side])
  const id = useId()
  const { bounds } = shape
  const siteAt = (finding: LimbFinding): Point | null => placeOnArm(finding.site, geometry, shape)
  const stations = layers.includes('readings') ? geometry.stations : []
  const isNamed = (mark: GeometryMark): boolean => layers.includes('points') || lit.includes(mark.id)
  const marks = geometry.marks.filter((mark) => mark.kind === 'injury' || isNamed(mark))
  const wishes: readonly LabelWish[] = [
    ...stations.map((station): LabelWish => ({
      id: station.id,
      rail: 'top',
      text: [girthText(station, units, side), notes[station.id]?.words].filter(Boolean).join(', '),
      at: [station.atCm, shape.halfAt(station.atCm)],
      isHidden: station.from === 'estimated' && !lit.includes(station.id) && !notes[station.id],
      look: girthLook(station),
    })),
    ...marks.filter(isNamed).map((mark): LabelWish => ({ id: mark.id, rail: 'under', text: mark.label, at: markPlace(mark, shape) })),
    ...hands.flatMap((hand): readonly LabelWish[] => {
      const at = armHandSpot(hand.place, shape)
      return at ? [{ id: hand.place, rail: hand.place === 'apply' ? 'under' : 'top', text: hand.label, at, look: 'hand' }] : []
    }),
    ...findingWishes(findings, siteAt, (_, [, y]) => (y < 0 ? 'under' : 'top')),
  ]
  const slab = geometry.bands.find((band) => band.kind === 'slab')
  const box = { x: bounds.minX, y: -bounds.maxY, width: bounds.maxX - bounds.minX, height: bounds.maxY - bounds.minY }
  return (
    <LaneFrame
      name={`${side ?? ''} forearm from the palm side, drawn to scale from its readings${findingsInWords(findings)}`.trim()}
      figures={useMemo(() => [{ id: 'arm', bounds }], [bounds])}
      rails={useMemo(
        (): readonly Rail[] => [
          { id: 'top', figure: 'arm', grows: 'up', atCm: bounds.maxY },
          { id: 'under', figure: 'arm', grows: 'down', atCm: bounds.minY },
        ],
        [bounds],
      )}
      wishes={wishes}
      units={units}
      ruler={{ lies: 'under', lengthCm: shape.elbowX + 1 }}
      side={side}
      injuredSide={geometry.side}
      onTap={onLevel ? ([atCm]) => onLevel(atCm) : undefined}
      onPick={onPick}
      over={({ place }) => (
        <>
          {hands.map((hand) => {
            const at = armHandSpot(hand.place, shape)
            return at ? <HandMark key={hand.place} isActive={hand.isActive} at={place('arm', at)} /> : null
          })}
          <FindingMarks placed={placeFindings(findings, siteAt, (at) => place('arm', at))} inHand={sitesInHand} onPick={onFinding} />
        </>
      )}
    >
      {() => (
        <SkinPaints id={id} fromY={-shape.halfAt(shape.elbowX)} toY={shape.halfAt(shape.elbowX) * 1.05}>
          <FadeMask id={id} box={box} towards="right" overCm={4} />
          <g mask={`url(#${id}-mask)`}>
            <Form paths={shape.paths} paint="skin" lineCm={0.07} />
            <Creases paths={shape.hand.creases} lineCm={0.08} opacity={0.5} />
          </g>
          {slab && layers.includes('slab') && !off.includes('slab') ? (
            <ArmSlab band={slab} shape={shape} isLit={lit.includes('slab')} fill={fillOfBand(wet, 'slab')} onPick={onPick} />
          ) : null}
          {geometry.bands
            .filter((band) => band.kind === 'cut')
            .map((band, index) => (
              <path
                key={band.id}
                d={`M-4 ${(index - 0.5) * 2.4} H${band.toCm}`}
                stroke="var(--stop)"
                strokeWidth="0.25"
                strokeDasharray="0.9 0.6"
              />
            ))}
          {stations.map((station) => (
            <TapeLine
              key={station.id}
              from={[station.atCm, -shape.halfAt(station.atCm)]}
              to={[station.atCm, shape.halfAt(station.atCm)]}
              bend={[-0.9, 0]}
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

/** Where a landmark lies: the pulse on the thumb's side of the wrist, all else in the middle. */
function markPlace(mark: GeometryMark, shape: ArmShape): Point {
  return [mark.atCm, mark.kind === 'pulse' ? shape.halfAt(mark.atCm) * 0.55 * shape.thumbUp : 0]
}

/** Where hands go on the arm, in its own centimetres. */
function armHandSpot(place: LaneHand['place'], shape: ArmShape): Point | null {
  switch (place) {
    case 'apply':
      return [shape.elbowX * 0.45, 0]
    case 'hold-distal':
      return [-shape.hand.reachCm + 3, 0]
    case 'hold-joint':
      return [shape.elbowX - 1, 0]
    case 'hold-proximal':
      return [shape.elbowX + 1, 0]
    case 'fetch':
      return null
  }
}

/** A slab on the palm side with its thickness: it ends at the palm crease and leaves the ball of the thumb free. */
function ArmSlab({
  band,
  shape,
  isLit,
  fill,
  onPick,
}: {
  band: GeometryBand
  shape: ArmShape
  isLit: boolean
  fill: string
  onPick: LaneProps['onPick']
}) {
  const { decision } = band
  const share = 0.8
  const along = [0.3, 0.55, 0.8, 1].map((part) => part * band.toCm).filter((at) => at > 1)
  const thumbSide = (at: number, of: number): Point => [at, -of * shape.halfAt(at) * shape.thumbUp]
  const outline: readonly Point[] = [
    thumbSide(band.fromCm, 0.72),
    // Round the ball of the thumb.
    ...(band.fromCm < -3
      ? [thumbSide(band.fromCm * 0.8, 0.66), thumbSide(band.fromCm * 0.5, 0.34), thumbSide(band.fromCm * 0.18, 0.42)]
      : []),
    thumbSide(Math.max(0.8, band.fromCm), share),
    ...along.map((at) => thumbSide(at, share)),
    ...[...along].reverse().map((at) => thumbSide(at, -share)),
    thumbSide(0, -share),
    thumbSide(band.fromCm * 0.5, -0.86),
    thumbSide(band.fromCm, -0.84),
  ]
  const path = smoothPath(outline, true, 0.22)
  return (
    <g
      onClick={onPick && decision ? () => onPick(decision) : undefined}
      className={onPick && decision ? 'cursor-pointer' : ''}
      strokeLinejoin="round"
    >
      <path d={path} transform="translate(0.12 0.42)" fill="var(--slab-edge)" stroke="var(--slab-edge)" strokeWidth="0.2" />
      <path
        d={path}
        fill={fill}
        fillOpacity="0.94"
        stroke={isLit ? 'var(--citrus-deep)' : 'var(--slab-edge)'}
        strokeWidth={isLit ? 0.4 : 0.18}
      />
    </g>
  )
}
