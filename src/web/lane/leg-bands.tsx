import type { GeometryBand } from '#core/model/geometry'
import type { WetState } from '#core/runs/wet-now'
import type { LaneProps } from './lane-props'
import type { LegShape } from './leg-shape'
import { smoothPath, straightPath, type Point } from './smooth-path'
import { wetFill, wetStateOf } from './wet-legend'

interface BandProps {
  readonly band: GeometryBand
  readonly shape: LegShape
  readonly flip: (point: Point) => Point
  readonly isLit: boolean
  readonly onPick: LaneProps['onPick']
  /** Undefined where it is not wet. */
  readonly wet: WetState | undefined
}

/** How far bars stand off the limb, cm. */
const barGapCm = 1.6

/** Devices laid over a leg that are more than slab and bandage: straps, rings, bars, cuts, casts, boots, what is kept clear. */
export function LegBands({
  geometry,
  shape,
  flip,
  lit,
  wet,
  onPick,
}: Pick<LaneProps, 'geometry' | 'onPick' | 'wet'> & { shape: LegShape; flip: BandProps['flip']; lit: readonly string[] }) {
  return (
    <g>
      {geometry.bands.map((band) => (
        <Band
          key={band.id}
          band={band}
          shape={shape}
          flip={flip}
          isLit={lit.includes(band.id)}
          wet={wetStateOf(wet, band.id)}
          onPick={onPick}
        />
      ))}
    </g>
  )
}

function Band(props: BandProps) {
  const { band, onPick } = props
  const drawn = drawBand(props)
  if (!drawn) return null
  const pick = onPick && band.decision ? () => onPick(band.decision ?? '') : undefined
  return (
    <g onClick={pick} className={pick ? 'cursor-pointer' : ''}>
      <title>{band.label}</title>
      {drawn}
    </g>
  )
}

function drawBand({ band, shape, flip, isLit, wet }: BandProps) {
  const edge = isLit ? 'var(--ink)' : 'var(--slab-edge)'
  switch (band.kind) {
    case 'strap':
      return (
        <path
          d={around(band, shape, flip, 0.25)}
          fill={isLit ? 'var(--citrus)' : 'var(--slab)'}
          fillOpacity="0.9"
          stroke={edge}
          strokeWidth="0.16"
          strokeLinejoin="round"
        />
      )
    case 'no-go':
      return (
        <path
          d={around(band, shape, flip, 0)}
          fill="var(--stop)"
          fillOpacity="0.13"
          stroke="var(--stop)"
          strokeWidth="0.1"
          strokeDasharray="0.5 0.5"
        />
      )
    case 'zone':
      return (
        <path
          d={around(band, shape, flip, 0.55)}
          fill={wetFill[wet ?? 'set']}
          fillOpacity={isLit ? 0.9 : 0.62}
          stroke={edge}
          strokeWidth="0.18"
          strokeLinejoin="round"
        />
      )
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
          d={smoothPath(courseOf(shape, band.line ?? []).map(flip))}
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
        <path d={around(band, shape, flip, 0.35)} fill="var(--wool)" stroke={edge} strokeWidth="0.2" />
      )
    }
    case 'shell': {
      const fronts = [band.toCm, band.toCm * 0.7, 12].map((at) => shape.placeAt('leg', at, 'front'))
      const outline = [
        ...fronts.map(([x, y]): Point => [x, y + 0.7]),
        ...shape.back
          .filter(([x]) => x <= band.toCm)
          .map(([x, y]): Point => [x, y - 0.5])
          .reverse(),
      ]
      return (
        <path
          d={straightPath(outline.map(flip), true)}
          fill="var(--slab)"
          fillOpacity="0.38"
          stroke={edge}
          strokeWidth="0.22"
          strokeLinejoin="round"
        />
      )
    }
    case 'slab':
    case 'padding':
    case 'bandage':
      return null
  }
}

/** The stretch of limb between two places, with a margin, as a closed path. */
function around(band: GeometryBand, shape: LegShape, flip: BandProps['flip'], marginCm: number): string {
  const axis = band.axis === 'foot' ? 'foot' : 'leg'
  const steps = Math.max(2, Math.ceil((band.toCm - band.fromCm) / 3))
  const at = (index: number): number => band.fromCm + ((band.toCm - band.fromCm) * index) / steps
  const line = (face: 'front' | 'back'): Point[] =>
    Array.from({ length: steps + 1 }, (_, index): Point => {
      const [x, y] = shape.placeAt(axis, Math.max(0, at(index)), face)
      const outward = face === 'front' ? marginCm : -marginCm
      return axis === 'foot' ? [x + outward, y] : [x, y + outward]
    })
  return straightPath([...line('front'), ...line('back').reverse()].map(flip), true)
}

/** A cutting line by its course: shares of the depth from the back at places along the leg. */
function courseOf(shape: LegShape, line: NonNullable<GeometryBand['line']>): Point[] {
  return line.map(([at, share]): Point => {
    const [x, front] = shape.placeAt('leg', at, 'front')
    const [, back] = shape.placeAt('leg', at, 'back')
    return [x, back + (front - back) * share]
  })
}

/** A brace's bar along the side of the leg, with its hinge at the end by the knee. */
function SideBar({ band, shape, flip, kneeCm, isLit }: Omit<BandProps, 'onPick' | 'wet'> & { kneeCm: number }) {
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
