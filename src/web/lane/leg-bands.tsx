import type { GeometryBand } from '#core/model/geometry'
import type { LaneProps } from './lane-props'
import type { LegShape } from '#core/drawing/leg-shape'
import { xy } from './kit/overlays'
import type { Point } from '#core/drawing/points'
import { faint, shownBands } from './kit/shown-bands'
import { bootRegion, regionAround } from '#core/drawing/leg-regions'
import { smoothPath } from '#core/drawing/smooth-path'
import { fillOfBand } from './wet-look'

interface BandProps {
  readonly band: GeometryBand
  readonly shape: LegShape
  readonly flip: (point: Point) => Point
  readonly isLit: boolean
  /** It is not on yet. */
  readonly isFaint: boolean
  readonly onPick: LaneProps['onPick']
}

/** How far inside of the slab its folded edge is drawn, cm. */
const foldInsideCm = 1.1
/** How far bars stand off the limb, cm. */
const barGapCm = 1.6

/** Devices laid over a leg that are more than slab and bandage: straps, rings, bars, cuts, casts, boots, what is kept clear. */
export function LegBands({
  id,
  geometry,
  shape,
  flip,
  off,
  lit,
  wet,
  onPick,
}: Pick<LaneProps, 'geometry' | 'onPick' | 'wet'> & {
  id: string
  shape: LegShape
  flip: BandProps['flip']
  off: readonly string[]
  lit: readonly string[]
}) {
  return (
    <g>
      <Casts id={id} geometry={geometry} shape={shape} flip={flip} off={off} lit={lit} wet={wet} />
      {shownBands(geometry.bands, off, lit).map((band) => (
        <Band
          key={band.id}
          isFaint={off.includes(band.id)}
          band={band}
          shape={shape}
          flip={flip}
          isLit={lit.includes(band.id)}
          onPick={onPick}
        />
      ))}
    </g>
  )
}

function Band(props: BandProps) {
  const { band, isFaint, onPick } = props
  const drawn = drawBand(props)
  if (!drawn) return null
  const pick = onPick && band.decision ? () => onPick(band.decision ?? '') : undefined
  return (
    <g onClick={pick} className={pick ? 'cursor-pointer' : ''} opacity={isFaint ? faint : undefined}>
      <title>{band.label}</title>
      {drawn}
    </g>
  )
}

function drawBand({ band, shape, flip, isLit }: BandProps) {
  const edge = isLit ? 'var(--ink)' : 'var(--slab-edge)'
  switch (band.kind) {
    case 'strap':
      return (
        <path
          d={wrap(band, shape, flip, 0.3)}
          fill={isLit ? 'var(--citrus)' : 'var(--slab)'}
          fillOpacity="0.94"
          stroke={edge}
          strokeWidth="0.16"
          strokeLinejoin="round"
        />
      )
    case 'no-go':
      return (
        <path
          d={regionAround(band, shape, flip, 0)}
          fill="var(--stop)"
          fillOpacity="0.13"
          stroke="var(--stop)"
          strokeWidth="0.1"
          strokeDasharray="0.5 0.5"
        />
      )
    // Drawn as one with its neighbours; here only what is tapped, and where it ends on the leg.
    case 'zone':
      return (
        <>
          <path
            d={regionAround(band, shape, flip, 0.7)}
            fill="transparent"
            stroke={isLit ? 'var(--citrus-deep)' : 'none'}
            strokeWidth="0.3"
          />
          {band.axis === 'leg' ? <End atCm={band.toCm} shape={shape} flip={flip} /> : null}
        </>
      )
    // Along the slab, where its edges are folded: nothing goes round.
    case 'fold': {
      const along = [band.fromCm, (band.fromCm + band.toCm) / 2, band.toCm].map((atCm): Point => {
        const [x, y] = shape.placeAt('leg', Math.max(0, atCm), 'back')
        return flip([x, y + foldInsideCm])
      })
      return (
        <>
          <path d={regionAround(band, shape, flip, 0.7)} fill="transparent" />
          <path
            d={smoothPath(along)}
            fill="none"
            stroke={isLit ? 'var(--citrus-deep)' : 'var(--slab-edge)'}
            strokeWidth="0.4"
            strokeDasharray="0.9 0.5"
          />
        </>
      )
    }
    // How far the roll in hand goes, and where it ends; the others would only cover it.
    case 'reach':
      return isLit ? (
        <path
          d={regionAround(band, shape, flip, 1.3)}
          fill="none"
          stroke="var(--ink)"
          strokeWidth="0.28"
          strokeDasharray="1 0.6"
          strokeLinejoin="round"
        />
      ) : null
    case 'ring': {
      const [x1, y1] = flip(shape.placeAt('leg', band.toCm, 'front'))
      const [x2, y2] = flip(shape.placeAt('leg', band.fromCm - 2, 'back'))
      return (
        <ellipse
          cx={(x1 + x2) / 2}
          cy={(y1 + y2) / 2}
          rx="1.5"
          ry={Math.abs(y2 - y1) / 2 + 1.2}
          transform={`rotate(14 ${(x1 + x2) / 2} ${(y1 + y2) / 2})`}
          fill="none"
          stroke={isLit ? 'var(--citrus-deep)' : 'var(--slab-edge)'}
          strokeWidth="1.1"
        />
      )
    }
    case 'bar': {
      if (band.fromCm > 0 && shape.kneecap) return <SideBar band={band} shape={shape} flip={flip} kneeCm={shape.kneecap[0]} isLit={isLit} />
      const backs = [band.fromCm, band.toCm].map((at) => shape.placeAt('leg', Math.max(at, 0), 'back')[1])
      const y = Math.min(...backs) - barGapCm
      const [x1, yA] = flip([band.fromCm, y])
      const [x2] = flip([band.toCm, y])
      return (
        <g stroke={isLit ? 'var(--citrus-deep)' : 'var(--slab-edge)'} strokeLinecap="round">
          <path d={`M${x1} ${yA} H${x2}`} strokeWidth="0.9" />
          <path d={`M${x1} ${yA - 1.4} V${yA + 0.6}`} strokeWidth="0.5" />
        </g>
      )
    }
    case 'cut':
      return (
        <path
          d={smoothPath(courseOf(shape, band).map(flip))}
          fill="none"
          stroke={isLit ? 'var(--citrus-deep)' : 'var(--stop)'}
          strokeWidth="0.4"
          strokeDasharray="1.2 0.7"
        />
      )
    case 'hold': {
      const [x1, y1] = flip(shape.placeAt('leg', (band.fromCm + band.toCm) / 2, 'front'))
      const [, y2] = flip(shape.placeAt('leg', (band.fromCm + band.toCm) / 2, 'back'))
      return band.id === 'suspension' ? (
        <path d={`M${x1} ${y2} V${y1 - 4.5} M${x1 - 1} ${y1 - 4.5} h2`} fill="none" stroke={edge} strokeWidth="0.3" />
      ) : (
        <path d={wrap(band, shape, flip, 0.4)} fill="var(--wool)" stroke={edge} strokeWidth="0.2" strokeLinejoin="round" />
      )
    }
    case 'shell':
      return <End atCm={band.toCm} shape={shape} flip={flip} />
    case 'slab':
    case 'padding':
    case 'bandage':
      return null
  }
}

/** A strap that goes round: its edges bend toward the reader as a tape does. */
function wrap(band: GeometryBand, shape: LegShape, flip: BandProps['flip'], marginCm: number): string {
  if (band.axis === 'foot') return regionAround(band, shape, flip, marginCm)
  const face = (atCm: number, side: 'front' | 'back'): Point => {
    const [x, y] = shape.placeAt('leg', Math.max(0, atCm), side)
    return flip([x, y + (side === 'front' ? marginCm : -marginCm)])
  }
  const [a, b, c, d] = [face(band.fromCm, 'front'), face(band.toCm, 'front'), face(band.toCm, 'back'), face(band.fromCm, 'back')]
  const bend = (from: Point, to: Point): string => `Q${xy([(from[0] + to[0]) / 2 - bendCm, (from[1] + to[1]) / 2])} ${xy(to)}`
  return `M${xy(a)} L${xy(b)} ${bend(b, c)} L${xy(d)} ${bend(d, a)} Z`
}

/** How far the edge of what goes round a leg bends, cm. */
const bendCm = 1.1

/** Where a cast or a boot ends on the leg: its rim, round the limb. */
function End({ atCm, shape, flip }: { atCm: number } & Pick<BandProps, 'shape' | 'flip'>) {
  const [front, back] = [shape.placeAt('leg', atCm, 'front'), shape.placeAt('leg', atCm, 'back')]
  const [a, b] = [flip([front[0], front[1] + castCm / 2]), flip([back[0], back[1] - castCm / 2])]
  return (
    <path
      d={`M${xy(a)} Q${xy([(a[0] + b[0]) / 2 - bendCm, (a[1] + b[1]) / 2])} ${xy(b)}`}
      fill="none"
      stroke="var(--slab-edge)"
      strokeWidth="0.3"
    />
  )
}

/** How thick a cast or a boot is drawn, both walls, cm. */
const castCm = 1.2

/** Casts and boots with their thickness: the limb's own outline, thickened, as far as they cover it; what is in the same state is one piece. */
function Casts({
  id,
  geometry,
  shape,
  flip,
  off,
  lit,
  wet,
}: Omit<BandProps, 'band' | 'isLit' | 'isFaint' | 'onPick'> & Parameters<typeof LegBands>[0]) {
  const covers = geometry.bands.filter((band) => (band.kind === 'zone' || band.kind === 'shell') && !off.includes(band.id))
  if (covers.length === 0) return null
  const outline = smoothPath(shape.outline.map(flip), true)
  const fillOf = (band: GeometryBand): string => (lit.includes(band.id) ? 'var(--citrus)' : fillOfBand(wet, band.id))
  const fills = [...new Set(covers.map(fillOf))]
  return fills.map((fill, index) => (
    <g key={fill} strokeLinejoin="round">
      <clipPath id={`${id}-cast-${index}`}>
        {covers
          .filter((band) => fillOf(band) === fill)
          .map((band) => (
            <path key={band.id} d={band.kind === 'shell' ? bootRegion(band, shape, flip) : regionAround(band, shape, flip, 2)} />
          ))}
      </clipPath>
      <g clipPath={`url(#${id}-cast-${index})`}>
        <path d={outline} fill="none" stroke="var(--slab-edge)" strokeWidth={castCm + 0.36} />
        <path d={outline} fill={fill} fillOpacity="0.72" stroke={fill} strokeWidth={castCm} />
      </g>
    </g>
  ))
}

/** A cutting line by its course: shares of the depth from the back at places along the leg. */
function courseOf(shape: LegShape, { axis, line = [] }: Pick<GeometryBand, 'axis' | 'line'>): Point[] {
  return line.map(([at, share]): Point => {
    const [front, back] = (['front', 'back'] as const).map((face) => shape.placeAt(axis === 'foot' ? 'foot' : 'leg', at, face))
    const [[fx, fy], [bx, by]] = [front ?? [0, 0], back ?? [0, 0]]
    return [bx + (fx - bx) * share, by + (fy - by) * share]
  })
}

/** A brace's bar along the side of the leg, with its hinge at the end by the knee. */
function SideBar({ band, shape, flip, kneeCm, isLit }: Omit<BandProps, 'onPick' | 'isFaint'> & { kneeCm: number }) {
  const middle = (at: number): Point => {
    const [front, back] = [shape.placeAt('leg', at, 'front'), shape.placeAt('leg', at, 'back')]
    return flip([at, (front[1] + back[1]) / 2])
  }
  const [x1, y1] = middle(band.fromCm)
  const [x2, y2] = middle(band.toCm)
  const [hx, hy] = Math.abs(band.fromCm - kneeCm) < Math.abs(band.toCm - kneeCm) ? [x1, y1] : [x2, y2]
  return (
    <g stroke={isLit ? 'var(--citrus-deep)' : 'var(--slab-edge)'} strokeLinecap="round">
      <path d={`M${x1} ${y1} L${x2} ${y2}`} strokeWidth="1.3" />
      <circle cx={hx} cy={hy} r="1.5" fill="var(--slab)" strokeWidth="0.5" />
    </g>
  )
}
