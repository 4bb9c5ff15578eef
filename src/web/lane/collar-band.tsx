import { useId } from 'react'
import { collarForm } from '#core/drawing/collar-form'
import type { Point } from '#core/drawing/points'
import { smoothPath } from '#core/drawing/smooth-path'
import type { ColumnBandProps } from './column-bands'
import { faint } from './kit/shown-bands'

const down = ([x, y]: Point): Point => [x, -y]

/** A collar with its chest piece, the rest for the chin, and the opening over the windpipe; of two halves each covers its own from the side. */
export function CollarBand({ band, shape, view, isLit, isFaint, onPick }: ColumnBandProps) {
  const id = useId()
  const { outline, opening, chinRest } = collarForm(shape.body, view, band.toCm)
  const { decision } = band
  const isHalf = band.id === 'front' || band.id === 'back'
  if (view === 'front' && band.id === 'back') return null
  const path = smoothPath(outline.map(down), true, 0.42)
  const halfX = band.id === 'back' ? -30 : -0.8
  return (
    <g
      onClick={onPick && decision ? () => onPick(decision) : undefined}
      className={onPick && decision ? 'cursor-pointer' : ''}
      strokeLinejoin="round"
      opacity={isFaint ? faint : undefined}
    >
      <title>{band.label}</title>
      <clipPath id={`${id}-half`}>
        <rect x={view === 'side' && isHalf ? halfX : -40} y={-60} width={view === 'side' && band.id === 'back' ? 31 : 80} height="90" />
      </clipPath>
      <g clipPath={`url(#${id}-half)`}>
        <path d={path} fill={isLit ? 'var(--citrus)' : 'var(--slab)'} fillOpacity="0.92" stroke="var(--slab-edge)" strokeWidth="0.34" />
        <path d={smoothPath(chinRest.map(down))} fill="none" stroke="var(--slab-edge)" strokeWidth="0.24" opacity="0.7" />
      </g>
      {opening ? (
        <ellipse
          cx={opening.at[0]}
          cy={-opening.at[1]}
          rx={opening.rx}
          ry={opening.ry}
          fill="var(--skin)"
          stroke="var(--slab-edge)"
          strokeWidth="0.3"
        />
      ) : null}
      {view === 'side' && isHalf ? (
        <path d={`M${halfX === -30 ? 1 : -0.8} ${-band.toCm - 2} V2`} stroke="var(--slab-edge)" strokeWidth="0.24" />
      ) : null}
    </g>
  )
}
