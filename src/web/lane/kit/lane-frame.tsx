import { createContext, useContext, useMemo, type MouseEvent, type ReactNode } from 'react'
import type { Side } from '#core/model/vocabulary'
import type { DisplayUnits } from '#core/planner/format-decision'
import { labelPx, layFrame, type FrameFigure, type FrameLayout, type LabelWish, type Rail } from './lay-frame'
import type { Point } from '#core/drawing/points'
import { LyingRuler, StandingRuler } from './ruler'
import { useBox } from './use-box'

/** Share of the page's height that a limb may take. */
const limbHeight = { narrow: 0.3, wide: 0.48 }

/** A low drawing: the limb, its light and its hands, without ruler and labels. */
export interface Strip {
  readonly heightPx: number
  /** How wide, where it is drawn without a screen to measure. */
  readonly widthPx?: number
  /** Left or right is written into it: not where it stands for no patient. */
  readonly hasSide: boolean
}
/** What the drawing is a strip of; null where it is a drawing with names. */
export const LaneStrip = createContext<Strip | null>(null)
const noLabels: readonly LabelWish[] = []

/** What a body is drawn in, for those who draw over it in pixels. */
export interface FrameScale {
  readonly place: FrameLayout['place']
  readonly pxPerCm: number
}

/** The frame of every body: its scale, ruler, side, and labels that never meet. What is drawn inside is in cm, y down the page. */
export function LaneFrame({
  name,
  figures,
  rails,
  wishes,
  units,
  ruler,
  mostHeight = limbHeight,
  side,
  injuredSide,
  onTap,
  onPick,
  children,
  over,
}: {
  name: string
  figures: readonly FrameFigure[]
  rails: readonly Rail[]
  wishes: readonly LabelWish[]
  units: DisplayUnits
  /** Lying under the first figure from its 0 on, or standing beside it from its 0 up; cm long. */
  ruler?: { readonly lies: 'under' | 'beside'; readonly lengthCm: number }
  /** Share of the page's height that it may take. */
  mostHeight?: { readonly narrow: number; readonly wide: number }
  side?: Side | undefined
  injuredSide?: Side | undefined
  /** A tap on the first figure, in its own cm, y up. */
  onTap?: ((at: Point) => void) | undefined
  onPick?: ((id: string) => void) | undefined
  /** One figure, in its own cm with y turned down the page. */
  children: (figure: string) => ReactNode
  /** What is drawn in pixels over the figures. */
  over?: (scale: FrameScale) => ReactNode
}) {
  const strip = useContext(LaneStrip)
  const isStrip = strip !== null
  const { ref, widthPx, mostHeightPx } = useBox(mostHeight, strip)
  const named = isStrip ? noLabels : wishes
  const rulerLies = isStrip ? undefined : ruler?.lies
  const layout = useMemo(
    () => layFrame(figures, rails, named, { widthPx, mostHeightPx, isStrip }, rulerLies === 'beside' ? 22 : 0),
    [figures, rails, named, widthPx, mostHeightPx, isStrip, rulerLies],
  )
  const { width, height, pxPerCm, place, labels } = layout
  const [first] = figures
  const tap = (event: MouseEvent<SVGSVGElement>): void => {
    if (!first || !onTap) return
    const box = event.currentTarget.getBoundingClientRect()
    const [x, y] = place(first.id, [0, 0])
    onTap([
      (((event.clientX - box.left) / box.width) * width - x) / pxPerCm,
      (y - ((event.clientY - box.top) / box.height) * height) / pxPerCm,
    ])
  }
  return (
    <div ref={ref} className="min-w-0">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="img"
        aria-label={name}
        onClick={onTap ? tap : undefined}
        className={`mx-auto block w-full select-none ${onTap ? 'cursor-crosshair' : ''}`}
      >
        {first && ruler && rulerLies === 'under' ? (
          <LyingRuler from={[place(first.id, [0, 0])[0], height - 19]} lengthCm={ruler.lengthCm} pxPerCm={pxPerCm} units={units} />
        ) : null}
        {first && ruler && rulerLies === 'beside' ? (
          <StandingRuler from={[24, place(first.id, [0, 0])[1]]} lengthCm={ruler.lengthCm} pxPerCm={pxPerCm} units={units} />
        ) : null}
        {figures.map(({ id }) => {
          const [x, y] = place(id, [0, 0])
          return (
            <g key={id} data-figure={id} transform={`translate(${x.toFixed(2)} ${y.toFixed(2)}) scale(${pxPerCm.toFixed(4)})`}>
              {children(id)}
            </g>
          )
        })}
        {over?.({ place, pxPerCm })}
        {labels.map((label) => (
          <Label key={label.id} label={label} onPick={onPick} />
        ))}
        {strip?.hasSide === false ? null : <SideSign side={side} injured={injuredSide} x={width - 10} />}
      </svg>
    </div>
  )
}

function Label({ label, onPick }: { label: FrameLayout['labels'][number]; onPick: ((id: string) => void) | undefined }) {
  return (
    <g onClick={onPick ? () => onPick(label.id) : undefined} className={onPick ? 'cursor-pointer' : ''}>
      <path d={`M${label.leader.map(at).join(' L')}`} fill="none" stroke="var(--soft)" strokeWidth="0.9" opacity="0.75" />
      <text
        x={label.x.toFixed(1)}
        y={label.y.toFixed(1)}
        textAnchor={label.align}
        data-label={label.id}
        className="fill-ink"
        style={{
          fontSize: labelPx,
          fontWeight: label.look === 'figure' ? 700 : 600,
          fontStyle: label.look === 'estimate' ? 'italic' : undefined,
          paintOrder: 'stroke',
          stroke: 'var(--sheet)',
          strokeWidth: 3,
        }}
      >
        {label.text}
      </text>
    </g>
  )
}

function SideSign({ side, injured, x }: { side: Side | undefined; injured: Side | undefined; x: number }) {
  if (!side) return null
  const isSound = injured !== undefined && injured !== side
  return (
    <text x={x} y="16" textAnchor="end" data-label="side" className="fill-ink" style={{ fontSize: 15, fontWeight: 750 }}>
      {side.toUpperCase()}
      {isSound ? (
        <tspan fill="var(--stop)" fontWeight="600" fontSize="13">
          {`, the sound side; injured: ${injured}`}
        </tspan>
      ) : null}
    </text>
  )
}

function at([x, y]: Point): string {
  return `${x.toFixed(1)} ${y.toFixed(1)}`
}
