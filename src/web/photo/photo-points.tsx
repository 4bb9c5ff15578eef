import { useRef, useState } from 'react'
import type { PhotoPoint } from '#core/quantities/photo-measure'

export interface NamedPoint {
  readonly name: string
  readonly at: PhotoPoint
  /** Drawn beside it. */
  readonly mark?: string
}

const loupeZoom = 3
const nudges: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Points on a photo and the lines that are measured: dragged with a loupe above the finger, or nudged with the arrow keys (Shift for ten pixels). */
export function PhotoPoints({
  photo,
  points,
  lines,
  onMove,
}: {
  photo: { readonly url: string; readonly width: number; readonly height: number }
  points: readonly NamedPoint[]
  lines: readonly (readonly PhotoPoint[])[]
  onMove: (index: number, point: PhotoPoint) => void
}) {
  const svg = useRef<SVGSVGElement>(null)
  const [held, setHeld] = useState<number | null>(null)
  const unit = Math.max(photo.width, photo.height) / 100
  const clampPoint = ([x, y]: PhotoPoint): PhotoPoint => [Math.min(photo.width, Math.max(0, x)), Math.min(photo.height, Math.max(0, y))]
  const toPhoto = (event: React.PointerEvent): PhotoPoint => {
    const matrix = svg.current?.getScreenCTM()
    if (!matrix) return [0, 0]
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    return clampPoint([x, y])
  }
  const loupe = held === null ? null : points[held]
  return (
    <svg
      ref={svg}
      viewBox={`0 0 ${photo.width} ${photo.height}`}
      className="mx-auto max-h-[46dvh] w-full touch-none select-none rounded-xl border border-line bg-well"
      onPointerMove={(event) => {
        if (held !== null) onMove(held, toPhoto(event))
      }}
      onPointerUp={() => setHeld(null)}
      onPointerCancel={() => setHeld(null)}
    >
      <image href={photo.url} width={photo.width} height={photo.height} />
      {lines.map((line, index) => {
        const d = line.map(([x, y], at) => `${at === 0 ? 'M' : 'L'}${x} ${y}`).join(' ')
        return (
          <g key={index} fill="none" strokeLinejoin="round">
            <path d={d} stroke="#1d1b16" strokeWidth={unit * 0.9} opacity="0.6" />
            <path d={d} stroke="#d3e04a" strokeWidth={unit * 0.5} />
          </g>
        )
      })}
      {points.map((point, index) => (
        <g
          key={point.name}
          role="slider"
          tabIndex={0}
          aria-label={point.name}
          aria-valuenow={Math.round(point.at[0])}
          aria-valuemin={0}
          aria-valuemax={photo.width}
          aria-valuetext={`${Math.round(point.at[0])} across, ${Math.round(point.at[1])} down`}
          transform={`translate(${point.at[0]} ${point.at[1]})`}
          className="cursor-grab"
          onPointerDown={(event) => {
            event.currentTarget.closest('svg')?.setPointerCapture(event.pointerId)
            setHeld(index)
          }}
          onKeyDown={(event) => {
            const nudge = nudges[event.key]
            if (!nudge) return
            event.preventDefault()
            const step = event.shiftKey ? 10 : 1
            onMove(index, clampPoint([point.at[0] + nudge[0] * step, point.at[1] + nudge[1] * step]))
          }}
        >
          <circle r={unit * 4.5} fill="transparent" />
          <circle r={unit * 1.5} fill="none" stroke="#1d1b16" strokeWidth={unit * 0.7} />
          <circle r={unit * 1.5} fill="none" stroke="#d3e04a" strokeWidth={unit * 0.4} />
          <circle r={unit * 0.2} fill="#d3e04a" />
          {point.mark ? (
            <text
              aria-hidden
              x={unit * 2.4}
              y={-unit * 2.4}
              fontSize={unit * 5}
              fontWeight={700}
              fill="#1d1b16"
              stroke="#fffdf5"
              strokeWidth={unit}
              paintOrder="stroke"
            >
              {point.mark}
            </text>
          ) : null}
        </g>
      ))}
      {loupe ? (
        <g transform={`translate(${loupe.at[0]} ${Math.max(unit * 14, loupe.at[1] - unit * 17)})`} pointerEvents="none">
          <clipPath id="loupe-clip">
            <circle r={unit * 11} />
          </clipPath>
          <g clipPath="url(#loupe-clip)">
            <rect x={-unit * 11} y={-unit * 11} width={unit * 22} height={unit * 22} fill="#fff" />
            <image
              href={photo.url}
              width={photo.width * loupeZoom}
              height={photo.height * loupeZoom}
              x={-loupe.at[0] * loupeZoom}
              y={-loupe.at[1] * loupeZoom}
            />
            <path d={`M${-unit * 11} 0 H${unit * 11} M0 ${-unit * 11} V${unit * 11}`} stroke="#9c1f2e" strokeWidth={unit * 0.2} />
          </g>
          <circle r={unit * 11} fill="none" stroke="#1d1b16" strokeWidth={unit * 0.6} />
        </g>
      ) : null}
    </svg>
  )
}
