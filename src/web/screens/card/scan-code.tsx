import { useMemo } from 'react'
import { qrModules, quietModules } from '#ward/story/qr-modules'

/** A text as a picture that a camera reads: dark on white in either theme, with its light border. */
export function ScanCode({ text, label }: { text: string; label: string }) {
  const { size, path } = useMemo(() => {
    const rows = qrModules(text)
    const squares = rows.flatMap((row, y) => row.flatMap((isDark, x) => (isDark ? [`M${x} ${y}h1v1h-1z`] : [])))
    return { size: rows.length, path: squares.join('') }
  }, [text])
  const side = size + 2 * quietModules
  return (
    <svg
      role="img"
      aria-label={label}
      viewBox={`${-quietModules} ${-quietModules} ${side} ${side}`}
      shapeRendering="crispEdges"
      className="w-full max-w-[23rem] rounded-xl"
    >
      <rect x={-quietModules} y={-quietModules} width={side} height={side} fill="#fff" />
      <path d={path} fill="#000" />
    </svg>
  )
}
