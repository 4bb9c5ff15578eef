import { createContext, useContext, type ReactNode } from 'react'

/** Ids of the paints of one drawing. */
interface Paints {
  readonly skin: string
  readonly column: string
}
const PaintContext = createContext<Paints>({ skin: 'var(--skin)', column: 'var(--skin)' })

/** Paints of a form: light from above on a lying limb, from the front on an upright one, so that it looks round. Both in the drawing's own cm. */
export function SkinPaints({ id, fromY, toY, children }: { id: string; fromY: number; toY: number; children: ReactNode }) {
  return (
    <PaintContext.Provider value={{ skin: `url(#${id}-skin)`, column: `url(#${id}-column)` }}>
      <defs>
        <linearGradient id={`${id}-skin`} gradientUnits="userSpaceOnUse" x1="0" x2="0" y1={fromY} y2={toY}>
          <stop offset="0" stopColor="var(--skin)" />
          <stop offset="0.34" stopColor="var(--skin-light)" />
          <stop offset="0.68" stopColor="var(--skin)" />
          <stop offset="1" stopColor="var(--skin-shade)" />
        </linearGradient>
        <linearGradient id={`${id}-column`} x1="0" x2="1" y1="0" y2="0">
          <stop offset="0" stopColor="var(--skin-shade)" />
          <stop offset="0.22" stopColor="var(--skin)" />
          <stop offset="0.45" stopColor="var(--skin-light)" />
          <stop offset="0.75" stopColor="var(--skin)" />
          <stop offset="1" stopColor="var(--skin-shade)" />
        </linearGradient>
      </defs>
      {children}
    </PaintContext.Provider>
  )
}

/**
 * Parts that grow into one another, drawn as one form: one outline round all of them, none between.
 * @param paths closed paths, cm
 */
export function Form({ paths, paint, lineCm = 0.16 }: { paths: readonly string[]; paint: 'skin' | 'column'; lineCm?: number }) {
  const paints = useContext(PaintContext)
  const all = paths.join(' ')
  return (
    <g strokeLinejoin="round">
      <path data-form d={all} fill="var(--skin-edge)" stroke="var(--skin-edge)" strokeWidth={lineCm * 2} />
      {paths.map((path) => (
        <path key={path} d={path} fill={paints[paint]} stroke="none" />
      ))}
    </g>
  )
}

/** Lines of anatomy inside a form: creases, a brow, an edge of bone. */
export function Creases({ paths, lineCm = 0.13, opacity = 0.7 }: { paths: readonly string[]; lineCm?: number; opacity?: number }) {
  return (
    <path
      d={paths.join(' ')}
      fill="none"
      stroke="var(--skin-edge)"
      strokeWidth={lineCm}
      strokeLinecap="round"
      strokeLinejoin="round"
      opacity={opacity}
    />
  )
}

/** Where a form goes on beyond the drawing it fades: a mask over the whole of it, clear at the sides named. */
export function FadeMask({
  id,
  box,
  towards,
  overCm,
}: {
  id: string
  box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
  towards: 'right' | 'down'
  overCm: number
}) {
  const share = towards === 'right' ? overCm / box.width : overCm / box.height
  return (
    <defs>
      <linearGradient id={`${id}-fade`} x1="0" y1="0" x2={towards === 'right' ? 1 : 0} y2={towards === 'down' ? 1 : 0}>
        <stop offset={1 - share} stopColor="#fff" />
        <stop offset="1" stopColor="#fff" stopOpacity="0" />
      </linearGradient>
      <mask id={`${id}-mask`} maskUnits="userSpaceOnUse" {...box}>
        <rect {...box} fill={`url(#${id}-fade)`} />
      </mask>
    </defs>
  )
}
