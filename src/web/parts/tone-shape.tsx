export type Tone = 'stop' | 'caution' | 'note' | 'calm' | 'known' | 'blank'

/** The outline of a tone in a square of 16. */
export const toneShapes: Record<Tone, string> = {
  stop: 'M8 1.2 L14.8 8 L8 14.8 L1.2 8 Z',
  caution: 'M8 1.8 L14.8 14 H1.2 Z',
  note: 'M2 2 H14 V10.5 H7 L3.5 14.2 V10.5 H2 Z',
  calm: 'M8 1.5 A6.5 6.5 0 1 1 7.99 1.5 Z M8 4.2 A3.8 3.8 0 1 0 8.01 4.2 Z',
  known: 'M2 5 H14 V7 H2 Z M2 9 H14 V11 H2 Z',
  blank: 'M3 8 H13',
}
/** The colour of a tone, for its word. */
export const toneInk: Record<Tone, string> = {
  stop: 'text-stop',
  caution: 'text-caution',
  note: 'text-soft',
  calm: 'text-calm',
  known: 'text-known',
  blank: 'text-soft',
}

/** A status by shape and tone; its word stands beside it. */
export function ToneShape({ tone, size = 16 }: { tone: Tone; size?: number }) {
  return (
    <svg viewBox="0 0 16 16" width={size} height={size} aria-hidden="true" className={`shrink-0 ${toneInk[tone]}`}>
      <path d={toneShapes[tone]} fill="currentColor" stroke={tone === 'blank' ? 'currentColor' : 'none'} fillRule="evenodd" />
    </svg>
  )
}

/** The border and wash of a tone, for a chip or a panel. */
export const toneWash: Record<Tone, string> = {
  stop: 'border-stop bg-stop-wash',
  caution: 'border-caution bg-caution-wash',
  note: 'border-soft bg-well',
  calm: 'border-calm bg-calm-wash',
  known: 'border-known bg-well',
  blank: 'border-caution bg-caution-wash',
}
